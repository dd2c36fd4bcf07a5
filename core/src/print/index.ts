export { type PaperSample, dotNear } from './dotNear.ts';
