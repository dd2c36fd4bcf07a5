export { asPicture, type PictureMark } from './mark.ts';
export { pictureCorners } from './corners.ts';
export { LONGEST_SAID } from './record.ts';
export { PICTURE } from './picture.ts';
