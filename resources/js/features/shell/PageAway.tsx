import { useEffect } from 'react'
import { PageProblem } from '../../ui/PageProblem'

const LOOKED_EACH_MS = 2000

const SENTENCE =
  'The connection to Welkion is interrupted. What is stored is safe; this page comes by itself once it is back.'

/** In the place of a page that could not be fetched: it comes by itself once the server can be reached again. */
export function PageAway() {
  useEffect(() => {
    const timer = setInterval(() => {
      void fetch('/up', { cache: 'no-store' }).then(
        (answer) => {
          if (answer.ok) location.reload()
        },
        () => undefined,
      )
    }, LOOKED_EACH_MS)
    return () => {
      clearInterval(timer)
    }
  }, [])
  return <PageProblem problem={new Error(SENTENCE)} />
}
