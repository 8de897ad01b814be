import type { ReactNode } from 'react'
import type { FigureInput } from '../../lib/figure/drawn'
import { paperInk } from '../../lib/figure/ink'
import { notebookFigure } from '../../lib/figure/notebookFigure'
import { FigureTable } from './FigureTable'
import { download, PICTURE_ROOM, pictureOf } from '../figure'

interface FigureFootProps {
  caption: string
  /** What a picture of it is called, and what stands above it. */
  name: string
  title: string
  /** What may be the wrong way round, if anything. */
  children?: ReactNode
  input: FigureInput | null
  /** What it draws, as a whole. */
  plain: () => FigureInput | null
}

/** What stands below a figure: its caption, and how it leaves as a picture. */
export function FigureFoot({ caption, name, title, children, input, plain }: FigureFootProps) {
  async function handlePicture(kind: 'png' | 'svg') {
    const input = plain()
    if (input === null) return
    const ink = paperInk()
    download(await pictureOf(notebookFigure(input, ink, PICTURE_ROOM), kind, ink, title), `${fileName(name)}.${kind}`)
  }
  return (
    <div className="mt-2 flex flex-wrap items-baseline justify-between gap-x-4 text-sm">
      {children}
      <p className="quiet min-w-0 flex-1 basis-80">{caption}</p>
      <span className="whitespace-nowrap">
        <FigureTable caption={caption} input={input} /> · save{' '}
        <button type="button" className="word-button" onClick={() => void handlePicture('png')}>
          PNG
        </button>{' '}
        <button type="button" className="word-button" onClick={() => void handlePicture('svg')}>
          SVG
        </button>
      </span>
    </div>
  )
}

function fileName(text: string): string {
  return (
    text
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'figure'
  )
}
