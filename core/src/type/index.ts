export { type FaceName, FACES } from './faces.ts';
export { facesFor } from './chooseFaces.ts';
export type { Face, FaceSubset, Fonts, ShapedGlyph } from './face.ts';
export { type GlyphRun, type PlacedGlyph, runBox } from './glyphRun.ts';
export type { SetLine, SetText, TextStyle } from './setText.ts';
export { type Typesetter, loadTypesetter } from './loadTypesetter.ts';
