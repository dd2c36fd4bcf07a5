export { type Stroke, drawInk } from './draw.ts';
export { type FigureOffer, offerTidy, settleOn } from './offerTidy.ts';
export { tidyMarks, backToInk } from './tidy.ts';
export { type DrawnOutright, type FigurePart, changeFigure, drawFigure } from './figures.ts';
export { marksTouched, removeMarks } from './erase.ts';
export { rubInk } from './rubInk.ts';
export { steadyInk } from './restyle.ts';
export { type IncomingInk, bringInInk } from './bringIn.ts';
