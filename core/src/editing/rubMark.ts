import { type MarkLine, linesOf, nibOf, placeAlong } from '../derived/index.ts';
import { partsOutside, polylineLength, type Sweep } from '../geometry/index.ts';
import { type InkSample, radiusAt } from '../ink/index.ts';
import type { Mark, Run } from '../marks/index.ts';

/** To take less of a line is to take nothing, points. */
const HAIR = 0.001;

/**
 * What a swept rubber leaves of a mark: its lines cut where their ink begins to lie under the rubber, as one mark still;
 * what is shorter than the line is wide is swept up. The same mark when it is not touched, null when nothing is left.
 */
export function rubMark(mark: Mark, sweep: Sweep): Mark | null {
  const reach = halfWidthOf(mark);
  let touched = false;
  const left = linesOf(mark).flatMap((line): Run[] => {
    const parts = partsOutside(line.points, sweep, (i) => reach(line, i));
    const end = line.points.length - 1;
    const lengths = (parts ?? []).map(([from, to]) => lengthBetween(line, from, to));
    const kept = lengths.reduce((sum, length) => sum + length, 0);
    if (!parts || (end > 0 && lengthBetween(line, 0, end) - kept < HAIR))
      return [runOf(line, 0, end)];
    touched = true;
    return parts
      .filter((_, k) => lengths[k] >= mark.style.width)
      .map(([from, to]) => runOf(line, from, to));
  });
  if (!touched) return mark;
  return left.length === 0 ? null : { ...mark, left };
}

const halfWidths = new WeakMap<MarkLine, { readonly width: number; readonly all: number[] }>();

/** How far the ink reaches to either side at point `i`, points. */
function halfWidthOf(mark: Mark): (line: MarkLine, i: number) => number {
  if (mark.kind === 'figure') return () => mark.style.width / 2;
  const nib = nibOf(mark);
  return (line, i) => {
    // A line is rubbed in many frames.
    let known = halfWidths.get(line);
    if (known?.width !== nib.width) {
      known = { width: nib.width, all: line.points.map((p) => radiusAt(nib, p as InkSample)) };
      halfWidths.set(line, known);
    }
    return known.all[i];
  };
}

const runOf = (line: MarkLine, from: number, to: number): Run => ({
  line: line.line,
  from: placeAlong(line, from),
  to: placeAlong(line, to),
});

/** Length of a line between two places along its points. */
function lengthBetween({ points }: MarkLine, from: number, to: number): number {
  const [i, j] = [Math.floor(from), Math.min(points.length - 1, Math.ceil(to))];
  const piece = points.slice(i, j + 1).map(({ x, y }) => ({ x, y }));
  const share = (k: number, u: number) => ({
    x: points[k].x + (points[k + 1].x - points[k].x) * u,
    y: points[k].y + (points[k + 1].y - points[k].y) * u,
  });
  if (to < j) piece[piece.length - 1] = share(j - 1, to - (j - 1));
  if (from > i) piece[0] = share(i, from - i);
  return polylineLength(piece);
}
