export {
  LARGEST_FILE,
  pictureHead,
  PictureRefusal,
  type PictureFormat,
  type PictureHead,
  type PictureRefusalReason,
} from './pictureHead.ts';
export { pictureName } from './pictureName.ts';
export { withoutPaper } from './withoutPaper.ts';
export { hasPlainColours, withoutMetadata } from './withoutMetadata.ts';
export { pixelsIn, pixelsWanted, placeOnPage } from './placeOnPage.ts';
export { type InkOnPaper, inkOnPaper } from './inkOnPaper.ts';
