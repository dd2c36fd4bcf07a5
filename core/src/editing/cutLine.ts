import { partsOutside, polylineLength, type Sweep, type Vec } from '../geometry/index.ts';

/** To take less of a line is to take nothing, points. */
const HAIR = 0.001;

/**
 * What a swept rubber leaves of a line of ink: ranges of places along its points (2.25 is a quarter of the way from point 2
 * to point 3), in order, cut where the ink begins to lie under the rubber. Runs shorter than `width` are crumbs and go too.
 * Null when the line is not touched. `reach(i)` is how far the ink reaches to either side at point `i`, points.
 */
export function cutLine(
  points: readonly Vec[],
  sweep: Sweep,
  width: number,
  reach: (i: number) => number,
): [from: number, to: number][] | null {
  const parts = partsOutside(points, sweep, reach);
  if (!parts) return null;
  const end = points.length - 1;
  const lengths = parts.map(([from, to]) => lengthBetween(points, from, to));
  const kept = lengths.reduce((sum, length) => sum + length, 0);
  if (end > 0 && lengthBetween(points, 0, end) - kept < HAIR) return null;
  return parts.filter((_, k) => lengths[k] >= width);
}

/** Length of a line between two places along its points. */
function lengthBetween(points: readonly Vec[], from: number, to: number): number {
  const [i, j] = [Math.floor(from), Math.min(points.length - 1, Math.ceil(to))];
  const piece = points.slice(i, j + 1).map(({ x, y }) => ({ x, y }));
  const share = (k: number, u: number): Vec => ({
    x: points[k].x + (points[k + 1].x - points[k].x) * u,
    y: points[k].y + (points[k + 1].y - points[k].y) * u,
  });
  if (to < j) piece[piece.length - 1] = share(j - 1, to - (j - 1));
  if (from > i) piece[0] = share(i, from - i);
  return polylineLength(piece);
}
