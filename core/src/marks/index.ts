export {
  type Inside,
  type MarkBase,
  type MarkId,
  type MarkStyle,
  type PageId,
  type Run,
  widened,
  without,
} from './mark.ts';
export {
  beyondPart,
  leftOf,
  lineByLength,
  type MarkLine,
  placeAlong,
  pointsAround,
} from './lines.ts';
export {
  colourShape,
  type MarkRecord,
  MarkRecordError,
  markShape,
  LONGEST_SAID,
  matrixShape,
  shareShape,
} from './markShape.ts';
export { fromBase64, toBase64 } from './base64.ts';
export { percentEncoded, utf8 } from './utf8.ts';
export { type Ink, PEN_INKS, HIGHLIGHTER_INKS, inkName } from './inks.ts';
export {
  type Eraser,
  type FigurePen,
  type InkInstrument,
  type Instrument,
  type InstrumentChange,
  type InstrumentKind,
  INSTRUMENT_KINDS,
  type WordMarker,
  type TextInstrument,
  type WordPicker,
  type LinkMaker,
  isMarking,
  isPicking,
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
  instrumentWidth,
  type Picker,
  writes,
  type WritingInstrument,
} from './instrument.ts';
export {
  type WordManner,
  inkAfter,
  inksForManner,
  WORD_MANNER_NAMES,
  WORD_MANNERS,
} from './wordManners.ts';
export { type RollInSight, byUse, rollInSight } from './rollInSight.ts';
export { instrumentShape } from './instrumentShape.ts';
export {
  type Roll,
  MOST_INSTRUMENTS,
  addToRoll,
  changeInRoll,
  moveInRoll,
  removeFromRoll,
  canWriteWith,
} from './penRoll.ts';
export { finite, nibShape } from './nibShape.ts';
