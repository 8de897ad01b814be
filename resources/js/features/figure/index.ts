export { Figure } from './Figure'
export { FigureCanvas, type PointerMoment } from './FigureCanvas'
export { download, pictureOf } from './picture'
export type { FigureOption } from './echarts'
