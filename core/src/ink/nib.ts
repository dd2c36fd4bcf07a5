/** What touches the paper. */
export interface Nib {
  /** Width at middling pressure (0.5), points. */
  readonly width: number;
  /** How much pressure changes the width: 0 not at all, 1 from nothing to double. */
  readonly thinning: number;
}

/** Points in a millimetre. */
export const POINTS_PER_MM = 72 / 25.4;

/** No pen leaves less than a tenth of its width, so that light strokes never break up. */
const LEAST_SHARE = 0.1;

/** Half the width of the ink at `pressure` (0–1), points. */
export function inkRadius(nib: Nib, pressure: number): number {
  const share = 1 + nib.thinning * (2 * Math.min(1, Math.max(0, pressure)) - 1);
  return (nib.width / 2) * Math.max(LEAST_SHARE, share);
}
