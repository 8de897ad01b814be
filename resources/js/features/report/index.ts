export { ReportPage } from './ReportPage'
