export type { Blend, Drawing, Fill, Glyphs, Group, Item, Paint, Picture } from './drawing.ts';
export { drawingBounds } from './bounds.ts';
export { filledPath, oneShape } from './merge.ts';
