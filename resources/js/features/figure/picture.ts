import { echarts, type FigureOption } from './echarts'

const WIDTH_PX = 1000
const HEIGHT_PX = 640
/** A sheet printed at 300 dpi needs about this many dots for each pixel. */
const DOTS_PER_PX = 3

/** The figure as a file of its own, on its paper colour. */
export async function pictureOf(option: FigureOption, kind: 'png' | 'svg', paper: string): Promise<Blob> {
  const host = document.createElement('div')
  host.style.cssText = `position:fixed;left:-9999px;width:${WIDTH_PX}px;height:${HEIGHT_PX}px`
  document.body.append(host)
  const chart = echarts.init(host, null, { renderer: kind === 'svg' ? 'svg' : 'canvas', devicePixelRatio: DOTS_PER_PX })
  try {
    chart.setOption({ ...option, animation: false, backgroundColor: paper })
    if (kind === 'svg') return new Blob([chart.renderToSVGString()], { type: 'image/svg+xml' })
    const url = chart.getDataURL({ type: 'png', pixelRatio: DOTS_PER_PX, backgroundColor: paper })
    const bytes = Uint8Array.from(atob(url.slice(url.indexOf(',') + 1)), (letter) => letter.charCodeAt(0))
    return await Promise.resolve(new Blob([bytes], { type: 'image/png' }))
  } finally {
    chart.dispose()
    host.remove()
  }
}

export function download(blob: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(() => {
    URL.revokeObjectURL(link.href)
  }, 1000)
}
