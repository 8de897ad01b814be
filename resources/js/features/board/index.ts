export { BoardPage } from './BoardPage'
export { WatchPage } from './WatchPage'
