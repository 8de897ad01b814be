export { ReasonPage } from './ReasonPage'
