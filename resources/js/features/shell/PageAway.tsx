import { useEffect, useState } from 'react'
import { PageProblem } from '../../ui/PageProblem'
import { PageFailed } from './PageFailed'

const LOOKED_EACH_MS = 2000

/** Loaded again and still not there so soon: then it is not the connection, and loading again would go on for ever. */
const IN_VAIN_WITHIN_MS = 30_000

const RELOADED_AT = 'welkion.reloadedAt'

const SENTENCE =
  'The connection to Welkion is interrupted. What is stored is safe; this page comes by itself once it is back.'

/** In the place of a page that could not be fetched: it comes by itself once the server can be reached again. */
export function PageAway() {
  const [isInVain] = useState(() => Date.now() - Number(sessionStorage.getItem(RELOADED_AT)) < IN_VAIN_WITHIN_MS)
  useEffect(() => {
    if (isInVain) return
    const timer = setInterval(() => {
      void fetch('/up', { cache: 'no-store' }).then(
        (answer) => {
          if (!answer.ok) return
          sessionStorage.setItem(RELOADED_AT, String(Date.now()))
          location.reload()
        },
        () => undefined,
      )
    }, LOOKED_EACH_MS)
    return () => {
      clearInterval(timer)
    }
  }, [isInVain])
  return isInVain ? <PageFailed /> : <PageProblem problem={new Error(SENTENCE)} />
}
