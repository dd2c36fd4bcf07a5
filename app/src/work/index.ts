export { startWork, type Work, type WorkResult } from './client';
export { StrokeFinisher } from './strokeFinisher';
export type { Jobs, WorkFailure } from './contract';
export {
  PdfPictures,
  PictureError,
  type PictureJob,
  type SeenPage,
  firstPagePicture,
  warmPdfJs,
} from './pdfPictures';
export type { AboutFile, Attachment, Layer, PdfAbout } from './pdfAbout';
export { PdfGuide } from './pdfGuide';
export { browserSpeech, type Heard, type Speech, type SpeechVoice } from './speech';
export { browserHandwriting, type HandwritingReader } from './handwriting';
export { PrintError, PrintReader, type SearchNews } from './printReader';
export { faceAddresses, readFaceFile } from './faceFiles';
export { unpackPicture } from './unpackPicture';
export { equationSetter } from './equationSetter';
export { whenIdle } from './whenIdle';
export { type OwnFaceFile, ownFaces } from './ownFaces';
