export {
  type DocState,
  type PageRef,
  type PageMarks,
  emptyDocument,
  marksOn,
  findMark,
  inOrder,
  topOrder,
  nextOrder,
  countMarks,
} from './state.ts';
export {
  type Change,
  type Transaction,
  type Applied,
  applyTransaction,
  changedSince,
  invertTransaction,
  sameMark,
} from './transaction.ts';
