export { type Inspection, inspectPdf } from './inspect.ts';
export { requireHeader } from './openPdf.ts';
export {
  type FixedCopy,
  type FixedCopyOptions,
  FixedCopyStopped,
  makeFixedCopy,
} from './fixedCopy.ts';
export type { Deflate } from './layer.ts';
