export { isInTex, type TexInText, texIn } from './dollars.ts';
export { type EquationOutline, type EquationPiece, outlineBox, piecePath } from './outline.ts';
export { isTooMuch, LONGEST_TEX, outlineShape, outlinesInTextShape } from './outlineShape.ts';
export { EquationRefusal, type TexPlace } from './refusal.ts';
