import { fromBase64 } from '@marginalis/core/marks';
import { LoadedPictures } from './LoadedPictures';

/** The pictures of all documents that are open, for every stage and picture. */
export const pagePictures = new LoadedPictures(({ data, type }) =>
  createImageBitmap(new Blob([new Uint8Array(fromBase64(data))], { type })),
);
