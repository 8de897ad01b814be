export { PreparePage } from './PreparePage'
