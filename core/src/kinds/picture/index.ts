export { asPicture, type PictureMark } from './mark.ts';
export { PICTURE } from './picture.ts';
