export type {
  CarryOptions,
  Covered,
  TakenPrint,
  Kind,
  Look,
  LookChange,
  MarkWords,
  Plane,
} from './kind.ts';
export type { AnnotationSketch, SketchedBase } from './annotation.ts';
export { marksOfSketch } from './ofSketch.ts';
export { KINDS, kindFor, type Mark } from './table.ts';
export { changeThroughout } from './throughout.ts';
export { fromMarkRecord, toMarkRecord } from './record.ts';
export {
  adoptDrawn,
  adoptStored,
  asInk,
  type InkMark,
  inkRead,
  leftSamples,
  nibOf,
  packedSamples,
  placedSamples,
  storedSamples,
  writtenBox,
  type WrittenInk,
  writtenInk,
  writtenSamples,
} from './ink/index.ts';
export {
  asWords,
  isArea,
  type MarkedWord,
  type Strip,
  areaBetween,
  areaEnds,
  rangesOf,
  stripsOf,
  textOfStrips,
  withWordsOf,
  type WordsMark,
} from './words/index.ts';
export { asNote, type NoteMark } from './note/index.ts';
export {
  asText,
  cornersOfBox,
  type Leader,
  leaderPoints,
  leaderWidth,
  LONGEST_TEXT,
  placeOfBox,
  type TextMark,
} from './text/index.ts';
export { asSignature, type SignatureMark } from './signature/index.ts';
export type { ComposedMark } from './composed.ts';
export { asStamp, type StampMark } from './stamp/index.ts';
export { asGraphic, type GraphicMark } from './graphic/index.ts';
export { asPicture, type PictureMark } from './picture/index.ts';
export { asEquation, equationCorners, type EquationMark, equationSize } from './equation/index.ts';
export {
  asField,
  type FieldFrame,
  type FieldLetters,
  type FieldMark,
  hiddenText,
  letterSize,
  lettersIn,
  LONGEST_VALUE,
  placeOfWidget,
  type Sign,
  SIGNS,
  type WidgetPlace,
} from './field/index.ts';
export {
  asCorrection,
  blockOfCorrection,
  cornersOfCorrection,
  type CorrectionMark,
  type OwnLetters,
  LONGEST_LINE,
  NARROWEST,
  WIDEST,
} from './correction/index.ts';
export { asRedaction, LONGEST_REDACTED, MOST_BARS, type RedactionMark } from './redaction/index.ts';
export { asFigure, FIGURE_NAMES, type FigureMark, type Tie, untied } from './figure/index.ts';
