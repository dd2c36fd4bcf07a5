export { type InkSample, GRID, quantiseSamples } from './sample.ts';
export { type Nib, POINTS_PER_MM, inkRadius } from './nib.ts';
export { smoothInk, sigmaFor } from './smoothing.ts';
export { type LiveInk, createLiveInk } from './liveInk.ts';
export { centrelineOf } from './centreline.ts';
export { outlineInk, outlineDiscs } from './outline.ts';
export { encodeSamples, decodeSamples, SampleCodecError } from './codec.ts';
