export { outlineOf, insideOfMark, boundsOf, centrelinesOf } from './outlineOf.ts';
export { type MarkLayers, type HighlightGroup, layersOf } from './layers.ts';
export { isTouched } from './touch.ts';
