export { Figure } from './Figure'
export { FigureCanvas, type PointerMoment } from './FigureCanvas'
export { download, PICTURE_ROOM, pictureOf } from './picture'
export type { FigureOption } from './echarts'
