export { SignInsPage } from './SignInsPage'
