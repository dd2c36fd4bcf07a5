export {
  type DocState,
  type PageRef,
  type PageMarks,
  emptyDocument,
  marksOn,
  findMark,
  inOrder,
  nextOrder,
  countMarks,
} from './state.ts';
export {
  type Change,
  type Transaction,
  type Applied,
  applyTransaction,
  invertTransaction,
  sameMark,
} from './transaction.ts';
