/** The colours and fonts a figure is drawn with, taken from the theme in force. */
export interface Ink {
  readonly paper: string
  readonly text: string
  readonly quiet: string
  readonly faint: string
  readonly grid: string
  readonly primary: string
  readonly amber: string
  readonly error: string
  readonly derivative: string
  readonly secondDerivative: string
  readonly runs: readonly string[]
  readonly sans: string
  readonly mono: string
  /** How much larger than on paper: a projector is read from afar. */
  readonly scale: number
  /** Width of a line, px. */
  readonly stroke: number
}

export function inkOf(element: Element): Ink {
  const style = getComputedStyle(element)
  const read = (name: string) => style.getPropertyValue(name).trim()
  return {
    paper: read('--color-base-100'),
    text: read('--color-base-content'),
    quiet: read('--quiet'),
    faint: read('--faint'),
    grid: read('--grid'),
    primary: read('--color-primary'),
    amber: read('--color-accent'),
    error: read('--color-error'),
    derivative: read('--derivative'),
    secondDerivative: read('--derivative-2'),
    runs: ['--run-1', '--run-2', '--run-3', '--run-4'].map(read),
    sans: read('--font-sans'),
    mono: read('--font-mono'),
    scale: Number(read('--figure-scale')) || 1,
    stroke: Number(read('--figure-stroke')) || 1.5,
  }
}

/** The inks of the paper theme, whatever theme is on screen: for sheets and pictures that leave the application. */
export function paperInk(): Ink {
  const paper = document.createElement('div')
  paper.dataset.theme = 'fieldbook'
  document.body.append(paper)
  const ink = inkOf(paper)
  paper.remove()
  return ink
}

/** Marker shapes, so that runs are told apart without colour. */
export const SHAPES = ['circle', 'diamond', 'triangle', 'rect'] as const

/** The same shapes as letters, beside a name. */
const SHAPE_LETTERS: Readonly<Record<string, string>> = { circle: '●', diamond: '◆', triangle: '▲', rect: '■' }

export function shapeLetter(runNumber: number): string {
  return SHAPE_LETTERS[runShape(runNumber)] ?? ''
}

export function runColour(ink: Ink, runNumber: number): string {
  return ink.runs[(runNumber - 1) % ink.runs.length] ?? ink.text
}

/** When the colours come round again, each comes with the next shape. */
export function runShape(runNumber: number): string {
  const round = Math.floor((runNumber - 1) / SHAPES.length)
  return SHAPES[(runNumber - 1 + round) % SHAPES.length] ?? 'circle'
}

/** A hollow circle struck through: a reading that is shown but not used. */
export const STRUCK =
  'path://M5,0A5,5 0 1,0 5,10A5,5 0 1,0 5,0M5,1A4,4 0 1,1 5,9A4,4 0 1,1 5,1M0.5,10.5L9.5,-0.5L10.3,0.2L1.3,11.2Z'
