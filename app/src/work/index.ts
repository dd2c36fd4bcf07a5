export { startWork, type Work, type WorkResult } from './client';
export { HandReader } from './handReader';
export type { WorkFailure } from './contract';
export {
  PdfPictures,
  PictureError,
  type PictureJob,
  firstPagePicture,
  warmPdfJs,
} from './pdfPictures';
