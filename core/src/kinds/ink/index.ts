export { type InkMark, type WrittenInk, asInk } from './mark.ts';
export { INK, carryInk } from './ink.ts';
export { fromInkRecord, toInkRecord } from './record.ts';
export { inkRead, writtenInk } from './writtenInk.ts';
export { storedSamples, adoptStored } from './storedSamples.ts';
export {
  writtenSamples,
  placedSamples,
  packedSamples,
  leftSamples,
  writtenBox,
} from './leftSamples.ts';
export { adoptDrawn, nibOf } from './outline.ts';
