export { type Pattern, type Ruling, PAPERS, PATTERNS, rulingShape, usualRuling } from './paper.ts';
export { paperDrawing } from './paperDrawing.ts';
