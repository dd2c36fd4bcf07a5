export { FaceError, openFace, openOwnFace } from './openFace.ts';
export { placeText, setText } from './setText.ts';
export { setBlock } from './setBlock.ts';
