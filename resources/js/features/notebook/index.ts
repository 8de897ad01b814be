export { InKelvin } from './InKelvin'
export { inTurn } from './turns'
export { untilAnswered } from './untilAnswered'
export { useFigureChange } from './useFigureChange'
export { useChange, type Sending } from './useChange'
export { useExperimentChange } from './useExperimentChange'
export { notebookKey, useNotebook, useNotebookQuery, useRunRows, useRunsTable, useWorked } from './useNotebook'
export { useNotebookNews } from './useNotebookNews'
export {
  useBeginRun,
  useMoveRun,
  useRunActions,
  useStartRun,
  useTyping,
  type ReadingRequest,
  type Within,
} from './useRuns'
export { useDrawnFrom } from './useDrawnFrom'
export { useColumns, useEntries, useFigures, useLines, useSpans, type LineBody, type LinePatch } from './useThings'
export { useUndo } from './useUndo'
