export {
  type FaceName,
  FACES,
  type Family,
  FAMILIES,
  OWN_FACES,
  type OwnFace,
  type ShippedFace,
} from './faces.ts';
export {
  faceOfStyle,
  facesFor,
  facesOfBlock,
  fallbacksFor,
  fallbacksOfBlock,
} from './chooseFaces.ts';
export type { Face, FaceSubset, Fonts, ShapedGlyph } from './face.ts';
export { type GlyphRun, type PlacedGlyph, runBox } from './glyphRun.ts';
export type { SetBlock } from './setBlock.ts';
export type { LineStyle, SetLine, SetRun, SetText } from './setSpans.ts';
export type { TextStyle } from './setText.ts';
export {
  type Alignment,
  ALIGNMENTS,
  type BlockEquation,
  type LetterStyle,
  type List,
  LISTS,
  type Span,
  type TextBlock,
  textOfSpans,
} from './textBlock.ts';
export { lettersOf } from './letters.ts';
export { hangOf } from './lists.ts';
export { replaced, restyled, retyped, sameEnds, spansBetween, styleAt } from './spans.ts';
export type { Shortcut } from './symbols.ts';
export { typeable } from './typeable.ts';
export { type Typesetter, loadTypesetter } from './loadTypesetter.ts';
