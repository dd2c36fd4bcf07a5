export { type Stroke, drawInk } from './draw.ts';
export { tidyMark, backToInk } from './tidy.ts';
export { marksTouched, removeMarks } from './erase.ts';
export { steadyInk } from './restyle.ts';
export { type IncomingInk, bringInInk } from './bringIn.ts';
