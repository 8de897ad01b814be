export { TableDrawer } from './TableDrawer'
export { TablePanel } from './TablePanel'
export { TypedCell } from './TypedCell'
