import { unpackPicture } from '@/work';
import { LoadedPictures } from './LoadedPictures';

/** The pictures of all documents that are open, for every stage and picture. */
export const pagePictures = new LoadedPictures(unpackPicture);
