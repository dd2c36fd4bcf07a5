export {
  type History,
  type HistoryStep,
  type Stack,
  type Moved,
  EMPTY_HISTORY,
  push,
  stackSteps,
  recordDone,
  moveToUndone,
  moveToDone,
  undo,
  redo,
} from './history.ts';
