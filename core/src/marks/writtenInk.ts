import { type HandReading, type InkSample, quantiseSamples, readHand } from '../ink/index.ts';
import type { WrittenInk } from './mark.ts';

/**
 * Ink of these samples as it is stored: on the grid, with what they tell of the hand; `hand` when it has been read
 * already, from the samples on the grid.
 */
export function writtenInk(
  samples: readonly InkSample[],
  { steadiness, nib, straight }: Pick<WrittenInk, 'steadiness' | 'nib' | 'straight'>,
  hand?: HandReading,
): WrittenInk {
  const kept = quantiseSamples(samples);
  return { samples: kept, steadiness, nib, straight, engine: 2, hand: hand ?? readHand(kept) };
}
