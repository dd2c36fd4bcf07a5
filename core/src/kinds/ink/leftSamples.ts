import { type Box, transform } from '../../geometry/index.ts';
import {
  boxOfPacked,
  type InkSample,
  packSamples,
  sampleBetween,
  samplesIn,
} from '../../ink/index.ts';
import type { InkMark, WrittenInk } from './mark.ts';

/** The samples of ink where they were written. */
export const writtenSamples = ({ samples }: WrittenInk): readonly InkSample[] => samplesIn(samples);

/** The samples of ink where the ink is now. */
export function placedSamples(ink: WrittenInk): readonly InkSample[] {
  const { place } = ink;
  const samples = writtenSamples(ink);
  return place ? samples.map((s) => ({ ...s, ...transform(place, s) })) : samples;
}

/** The same, packed; the caller's own. */
export const packedSamples = (ink: WrittenInk): Float64Array =>
  ink.place ? packSamples(placedSamples(ink)) : ink.samples.slice();

/** The box around the samples of ink, where the ink is now. */
export const writtenBox = ({ samples, place }: WrittenInk): Box => boxOfPacked(samples, place);

/** The samples of what rubbing has left, run by run, with one at each cut; where the ink is now. */
export function leftSamples({ ink, left }: InkMark): readonly (readonly InkSample[])[] {
  const samples = placedSamples(ink);
  if (!left) return [samples];
  const at = (place: number): InkSample => {
    const i = Math.min(samples.length - 1, Math.floor(place));
    const next = samples[i + 1];
    return next && place > i ? sampleBetween(samples[i], next, place - i) : samples[i];
  };
  return left.map(({ from, to }) => [
    at(from),
    ...samples.slice(Math.floor(from) + 1, Math.ceil(to)),
    ...(to > from ? [at(to)] : []),
  ]);
}
