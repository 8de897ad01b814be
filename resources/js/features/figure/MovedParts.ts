import type { FigureOption } from './echarts'

/** Parts of a drawing of which none is left that is not in the next one. */
export const REPLACED = ['series', 'xAxis', 'yAxis', 'grid', 'legend'] as const
type Part = (typeof REPLACED)[number]

/**
 * Gives each part of a drawing a name while a hand moves what is seen of it, so that the library changes them instead of making all
 * anew: they differ only in their points and in the ends of axes.
 */
export class MovedParts {
  private of: unknown = null
  private kind = ''
  private time = 0

  /**
   * @param of what is drawn: while it is the same, its parts are
   * @returns it without its key once that is drawn: it does not move, and made again each time it would take a third of the time
   */
  named(drawn: FigureOption, of: unknown): { option: FigureOption; replaced: readonly Part[] } {
    const kind = REPLACED.map((part) => partsOf(drawn, part).length).join(' ')
    const isSame = this.of === of && this.kind === kind
    if (!isSame) this.time++
    this.of = of
    this.kind = kind
    const replaced = REPLACED.filter((part) => !(isSame && part === 'legend'))
    const named = replaced.map((part) => [
      part,
      partsOf(drawn, part).map((one, index) => ({ ...one, id: `${part} ${index} ${this.time}` })),
    ])
    return { option: { ...drawn, legend: undefined, ...Object.fromEntries(named) } as FigureOption, replaced }
  }
}

function partsOf(drawn: FigureOption, part: Part): object[] {
  const parts = drawn[part]
  return parts === undefined ? [] : Array.isArray(parts) ? parts : [parts]
}
