export { FaceError, openFace } from './openFace.ts';
export { placeText, setText } from './setText.ts';
