export type { Blend, Drawing, Fill, Glyphs, Group, Item, Paint, Picture, Text } from './drawing.ts';
export { drawingBounds } from './bounds.ts';
export { filledPath, oneShape } from './merge.ts';
export { type BlockSetter, setDrawing, textBlocksIn } from './setDrawing.ts';
