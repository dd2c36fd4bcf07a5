export type { Annotation } from './annotation.ts';
export { readPdfDate, writePdfDate } from './dates.ts';
export { quadOf } from './quad.ts';
export {
  fromAnnotations,
  type FromAnnotations,
  type FromAnnotationsOptions,
} from './fromAnnotations.ts';
export { overPrint, pagesToRead } from './overPrint.ts';
