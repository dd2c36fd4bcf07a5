import {
  type HandReading,
  type InkSample,
  packSamples,
  quantiseSamples,
  readHand,
} from '../../ink/index.ts';
import type { WrittenInk } from './mark.ts';

type Manner = Pick<WrittenInk, 'steadiness' | 'nib' | 'straight'>;

/** Ink of these samples as it is stored: on the grid, with what they tell of the hand. */
export function writtenInk(samples: readonly InkSample[], manner: Manner): WrittenInk {
  const kept = quantiseSamples(samples);
  return inkRead(packSamples(kept), manner, readHand(kept));
}

/** Ink of samples that are on the grid and packed, with the hand read from them. */
export const inkRead = (
  samples: Float64Array,
  { steadiness, nib, straight }: Manner,
  hand: HandReading,
): WrittenInk => ({ samples, steadiness, nib, straight, engine: 2, hand });
