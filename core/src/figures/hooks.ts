import { angleAt, polylineLength, type Vec, degrees } from '../geometry/index.ts';

/** A hook is shorter than this share of the stroke. */
const LONGEST = 0.06;
/** And turns back by more than this, radians. */
const SHARPEST = degrees(72);

/**
 * Evenly spaced points without the little hooks that a pen makes as it comes down and goes up: short ends that turn
 * sharply from the rest.
 */
export function withoutHooks(points: readonly Vec[]): readonly Vec[] {
  const from = hookEnd(points);
  const to = hookEnd([...points].reverse());
  return from + to === 0 ? points : points.slice(from, points.length - to);
}

/** How many points at the beginning are a hook. */
function hookEnd(points: readonly Vec[]): number {
  const most = Math.floor(LONGEST * points.length);
  const reach = most + 2;
  let end = 0;
  let sharpest = SHARPEST;
  for (let i = 1; i <= most && i + reach < points.length; i++) {
    if (polylineLength(points.slice(0, i + 1)) === 0) continue;
    const angle = angleAt(points[0], points[i], points[i + reach]);
    if (angle < sharpest) {
      sharpest = angle;
      end = i;
    }
  }
  return end;
}
