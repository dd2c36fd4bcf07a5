export {
  type Mark,
  type InkMark,
  type FigureMark,
  type Fill,
  type MarkId,
  type PageId,
  type MarkStyle,
  type WrittenInk,
  type Run,
  isHighlight,
  without,
} from './mark.ts';
export { writtenInk } from './writtenInk.ts';
export { fromBase64, toBase64 } from './base64.ts';
export { storedSamples, adoptStored } from './storedSamples.ts';
export { placedSamples, leftSamples } from './leftSamples.ts';
export { type Ink, PEN_INKS, HIGHLIGHTER_INKS, inkName } from './inks.ts';
export {
  type Instrument,
  type InstrumentKind,
  INSTRUMENT_KINDS,
  isWriting,
  type EraserManner,
  ERASER_TAKES,
  ERASER_ONLY,
  PICKER_SHAPES,
  type DrawnShape,
  DRAWN_SHAPES,
  type Tidy,
  FIRST_ROLL,
  INSTRUMENTS,
  WIDTHS_MM,
  instrumentStyle,
} from './instrument.ts';
export {
  type Roll,
  MOST_INSTRUMENTS,
  addToRoll,
  changeInRoll,
  moveInRoll,
  removeFromRoll,
  canWriteWith,
} from './penRoll.ts';
export { nibShape } from './nibShape.ts';
export { type MarkRecord, MarkRecordError, toMarkRecord, fromMarkRecord } from './record.ts';
