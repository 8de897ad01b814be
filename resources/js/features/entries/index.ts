export { EntriesDialog } from './EntriesDialog'
export { missingEntries, typedWords } from './entries'
export { ThingsDialog } from './ThingsDialog'
