import { decodeSamples, encodeSamples, packSamples, samplesIn } from '../../ink/index.ts';
import { fromBase64, toBase64 } from '../../marks/index.ts';

const texts = new WeakMap<Float64Array, string>();

/** Packed samples as they stand in a record: coded, in base64. Kept as long as the samples, which never change. */
export function storedSamples(samples: Float64Array): string {
  let text = texts.get(samples);
  if (text === undefined) texts.set(samples, (text = toBase64(encodeSamples(samplesIn(samples)))));
  return text;
}

/** Takes over what another thread has coded from the same samples. */
export const adoptStored = (samples: Float64Array, text: string): void => {
  texts.set(samples, text);
};

/** @throws SampleCodecError or RangeError on damage */
export function samplesOfStored(text: string): Float64Array {
  const samples = packSamples(decodeSamples(fromBase64(text)));
  texts.set(samples, text);
  return samples;
}
