export type { Canvas2d, CanvasKit, CanvasPath } from './canvas.ts';
export { type DrawingFiles, drawingPainter, type PaintDrawing } from './painter.ts';
export { pixelsTouched, touchedBy } from './pixelsTouched.ts';
