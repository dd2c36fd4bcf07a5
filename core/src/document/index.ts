export {
  type DocState,
  type PageRef,
  type PageMarks,
  emptyDocument,
  marksOn,
  findMark,
  inOrder,
  topOrder,
  fromTop,
  nextOrder,
  countMarks,
  plainDocument,
} from './state.ts';
export { type RefusalReason, REFUSALS, PdfRefusal } from './refusal.ts';
export { HEADER_REACH, hasPdfHeader } from './header.ts';
export { pageBoxShape } from './pageShape.ts';
export { type Patch, PageMap } from './pageMap.ts';
export {
  type Change,
  type Transaction,
  type Applied,
  applyTransaction,
  changedSince,
  invertTransaction,
  sameMark,
} from './transaction.ts';
