export { GRAPHIC } from './graphic.ts';
export { asGraphic, type GraphicMark } from './mark.ts';
