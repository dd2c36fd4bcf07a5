export type { Annotation } from './annotation.ts';
export { readPdfDate, writePdfDate } from './dates.ts';
export { boxSketch, hasHead } from './boxSketch.ts';
export { colourOfLevels, levelsOf } from './colour.ts';
export { fringeOf, withinFringe } from './fringe.ts';
export { type Letters, lettersOf } from './letters.ts';
export { annotationsOfMark } from './ofMark.ts';
export { notePlace } from './notePlace.ts';
export { quadOf } from './quad.ts';
export {
  fromAnnotations,
  type FromAnnotations,
  type FromAnnotationsOptions,
} from './fromAnnotations.ts';
export { type Elsewhere, elsewhereOf, type ElsewhereOptions } from './elsewhere.ts';
export type { CameAnnotation } from './recognise.ts';
export { overPrint, pagesToRead } from './overPrint.ts';
