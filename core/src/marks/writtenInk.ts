import { type InkSample, quantiseSamples, readHand } from '../ink/index.ts';
import type { WrittenInk } from './mark.ts';

/** Ink of these samples as it is stored: on the grid, with what they tell of the hand. */
export function writtenInk(
  samples: readonly InkSample[],
  { steadiness, nib, straight }: Pick<WrittenInk, 'steadiness' | 'nib' | 'straight'>,
): WrittenInk {
  const kept = quantiseSamples(samples);
  return { samples: kept, steadiness, nib, straight, engine: 2, hand: readHand(kept) };
}
