export { CalibratePage } from './CalibratePage'
