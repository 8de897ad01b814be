import type { Ink } from '../../lib/figure/ink'
import { echarts, type FigureOption } from './echarts'

/** That of every picture. */
export const PICTURE_ROOM = { width: 1000, height: 640 }
const { width: WIDTH_PX, height: HEIGHT_PX } = PICTURE_ROOM
/** A sheet printed at 300 dpi needs about this many dots for each pixel. */
const DOTS_PER_PX = 3
/** Room for a title, and where it stands in it. */
const HEAD_PX = 44
const TITLE = { x: 24, y: 30, size: 20 }

/** The figure as a file of its own, on its paper colour, below its title if it has one. */
export async function pictureOf(option: FigureOption, kind: 'png' | 'svg', ink: Ink, title: string): Promise<Blob> {
  const host = document.createElement('div')
  host.style.cssText = `position:fixed;left:-9999px;width:${WIDTH_PX}px;height:${HEIGHT_PX}px`
  document.body.append(host)
  const chart = echarts.init(host, null, { renderer: kind === 'svg' ? 'svg' : 'canvas', devicePixelRatio: DOTS_PER_PX })
  try {
    chart.setOption({ ...option, animation: false, backgroundColor: ink.paper })
    if (kind === 'svg') return new Blob([titledSvg(chart.renderToSVGString(), title, ink)], { type: 'image/svg+xml' })
    const url = chart.getDataURL({ type: 'png', pixelRatio: DOTS_PER_PX, backgroundColor: ink.paper })
    const bytes = Uint8Array.from(atob(url.slice(url.indexOf(',') + 1)), (letter) => letter.charCodeAt(0))
    return await titledPng(new Blob([bytes], { type: 'image/png' }), title, ink)
  } finally {
    chart.dispose()
    host.remove()
  }
}

/** An SVG that stands below a title. */
export function titledSvg(svg: string, title: string, ink: Ink): string {
  if (title === '') return svg
  const text = document.createElement('b')
  text.textContent = title
  const family = ink.sans.replaceAll('"', "'")
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH_PX}" height="${HEIGHT_PX + HEAD_PX}">` +
    `<rect width="100%" height="100%" fill="${ink.paper}"/>` +
    `<text x="${TITLE.x}" y="${TITLE.y}" font-family="${family}" font-size="${TITLE.size}" font-weight="600" fill="${ink.text}">${text.innerHTML}</text>` +
    `${svg.replace('<svg ', `<svg y="${HEAD_PX}" `)}</svg>`
  )
}

async function titledPng(picture: Blob, title: string, ink: Ink): Promise<Blob> {
  if (title === '') return picture
  const canvas = new OffscreenCanvas(WIDTH_PX * DOTS_PER_PX, (HEIGHT_PX + HEAD_PX) * DOTS_PER_PX)
  const pen = canvas.getContext('2d')
  if (pen === null) return picture
  pen.scale(DOTS_PER_PX, DOTS_PER_PX)
  pen.fillStyle = ink.paper
  pen.fillRect(0, 0, WIDTH_PX, HEIGHT_PX + HEAD_PX)
  pen.fillStyle = ink.text
  pen.font = `600 ${TITLE.size}px ${ink.sans}`
  pen.fillText(title, TITLE.x, TITLE.y, WIDTH_PX - 2 * TITLE.x)
  pen.drawImage(await createImageBitmap(picture), 0, HEAD_PX, WIDTH_PX, HEIGHT_PX)
  return canvas.convertToBlob({ type: 'image/png' })
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
