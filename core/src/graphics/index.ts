export { cutGraphic } from './cutGraphic.ts';
export { type Graphic, graphicPath, type GraphicPiece, graphicShape } from './graphic.ts';
export { NotSimple } from './notSimple.ts';
export { rectPath, svgPath } from './svgPath.ts';
