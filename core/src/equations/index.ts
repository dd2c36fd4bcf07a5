export { isInTex, type TexInText, texIn } from './dollars.ts';
export { type EquationOutline, type EquationPiece, outlineBox, piecePath } from './outline.ts';
export { LONGEST_TEX, outlineFrom, outlineShape } from './outlineShape.ts';
export { EquationRefusal, type TexPlace } from './refusal.ts';
