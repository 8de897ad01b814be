export { StraightenPanel } from './StraightenPanel'
