export { evenLight } from './evenLight.ts';
export { findCorners } from './findCorners.ts';
export { carried, homography, type Homography, type Quad, sheetQuad } from './homography.ts';
export type { Pixels } from './pixels.ts';
export { sheetShape } from './sheetShape.ts';
export { straightened } from './straightened.ts';
