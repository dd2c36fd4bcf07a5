export { numberPages } from './numberPages.ts';
export {
  keepNumbers,
  NUMBER_PLACES,
  type NumberPlace,
  printNumbers,
  removeNumbers,
} from './printNumbers.ts';
export { addPaper, addPapers } from './addPaper.ts';
export { bringPages, replacePage } from './bringPages.ts';
export { duplicatePages } from './duplicatePages.ts';
export { interleavePages, movePages, reversePages } from './movePages.ts';
export { removePages } from './removePages.ts';
export { turnPages } from './turnPages.ts';
export { cropPages, type Insets, insetsOf, widenPages } from './framePages.ts';
export { type ContentsEntry, makeContents, type NewContents } from './contentsPages.ts';
