export { CalibratePage } from './CalibratePage'
export { PreparePage } from './PreparePage'
