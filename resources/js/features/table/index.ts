export { TableDrawer } from './TableDrawer'
