export { RecordPage } from './RecordPage'
