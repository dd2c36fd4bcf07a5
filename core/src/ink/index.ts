export { type InkSample, GRID, quantiseSamples } from './sample.ts';
export { sampleBetween } from './between.ts';
export { boxOfPacked, packSamples, samplesIn, timeTaken, unpackSamples } from './packed.ts';
export { altitudeOf } from './tilt.ts';
export { NO_PRESSURE, createSpeedPressure } from './speedPressure.ts';
export {
  type Nib,
  type NibEdge,
  type NibManner,
  PLAIN_NIB,
  POINTS_PER_MM,
  RESPONSE_RANGE,
  inkRadius,
  radiusAt,
  respond,
} from './nib.ts';
export { type HandReading, readHand } from './readHand.ts';
export { smoothInk, smoothInkAs } from './smoothing.ts';
export { smoothInkOne } from './engineOne/smoothing.ts';
export { type LiveHand, type LiveInk, createLiveInk } from './liveInk.ts';
export { straightLine } from './straight.ts';
export { centrelineOf } from './centreline.ts';
export { outlineInk, outlineDiscs } from './outline.ts';
export { encodeSamples, decodeSamples } from './codec/codec.ts';
export { SampleCodecError } from './codec/sampleCodecError.ts';
