export { type Inspection, inspectPdf } from './inspect.ts';
export { readForm } from './form/readForm.ts';
export { requireHeader } from './openPdf.ts';
export {
  type FixedCopy,
  type FixedCopyOptions,
  FixedCopyStopped,
  makeFixedCopy,
} from './fixedCopy.ts';
export { type PagePicture, pdfOfPictures } from './pdfOfPictures.ts';
export { encodeMarks, type MarkLayer } from './markLayer.ts';
export { type Source, SourceMissing } from './pages/gather.ts';
export type { HeldFiles, PictureFile } from './sink/held.ts';
export type { Deflate } from './sink/formWriter.ts';
export type { CopyOf } from './copyOf.ts';
export { type LivingCopy, type LivingCopyOptions, makeLivingCopy } from './living/livingCopy.ts';
export { type OpenedLivingCopy, openLivingCopy } from './living/openLivingCopy.ts';
export {
  type ReadAnnotations,
  readAnnotations,
  type ReadAnnotationsOptions,
} from './incoming/readAnnotations.ts';
export type { Written } from './incoming/written.ts';
export { type TakenUp, takeUpAnnotations } from './incoming/takeUpAnnotations.ts';
export { isPasswordTooLong, type Protection, protectionFor } from './protection/protect.ts';
export { onSheets } from './sheets/onSheets.ts';
export type { SheetPlan } from './sheets/cells.ts';
export type { MadeSmaller, Smaller } from './smaller/makeSmaller.ts';
export type { PictureTools, Pixels } from './smaller/pictureTools.ts';
export { type PrintTakenOut, tryTakeOut } from './takeOutPrint.ts';
export type { Redacted } from './redact/redaction.ts';
export { RedactionFailed } from './redact/trouble.ts';
export { tryRedact } from './redact/tryRedact.ts';
