export { RelationsPanel } from './RelationsPanel'
