export { TableDrawer } from './TableDrawer'
export { TablePanel } from './TablePanel'
