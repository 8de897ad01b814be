import { useEffect, useState } from 'react'
import type { Mathematics } from '../lib/api/types'
import { spoken, toTex } from '../lib/math/tex'

type Render = (tex: string) => string

let renderer: Promise<Render> | null = null

/** The typesetter comes when it is first needed, with its fonts from our own server. */
function typesetter(): Promise<Render> {
  renderer ??= Promise.all([import('katex'), import('katex/dist/katex.min.css')]).then(
    ([{ default: katex }]) =>
      (tex: string) =>
        katex.renderToString(tex, { throwOnError: false, output: 'html', strict: 'ignore' }),
  )
  return renderer
}

/** Mathematics as in print; in words for those who do not see it. */
export function Typeset({ tree }: { tree: Mathematics }) {
  const tex = toTex(tree)
  const [drawn, setDrawn] = useState<{ tex: string; html: string } | null>(null)
  useEffect(() => {
    let isGone = false
    typesetter().then(
      (render) => {
        if (!isGone) setDrawn({ tex, html: render(tex) })
      },
      () => {
        // Without it the words stand.
      },
    )
    return () => {
      isGone = true
    }
  }, [tex])
  const words = spoken(tree)
  return drawn?.tex === tex ? (
    <span role="math" aria-label={words} dangerouslySetInnerHTML={{ __html: drawn.html }} />
  ) : (
    <span className="num">{words}</span>
  )
}
