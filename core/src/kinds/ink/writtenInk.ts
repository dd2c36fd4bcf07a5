import { type HandReading, type InkSample, quantiseSamples, readHand } from '../../ink/index.ts';
import type { WrittenInk } from './mark.ts';

/**
 * Ink of these samples as it is stored: on the grid, with what they tell of the hand. When `hand` has been read already the
 * samples are on the grid.
 */
export function writtenInk(
  samples: readonly InkSample[],
  { steadiness, nib, straight }: Pick<WrittenInk, 'steadiness' | 'nib' | 'straight'>,
  hand?: HandReading,
): WrittenInk {
  const kept = hand ? samples : quantiseSamples(samples);
  return { samples: kept, steadiness, nib, straight, engine: 2, hand: hand ?? readHand(kept) };
}
