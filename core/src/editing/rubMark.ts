import { linesOf, reachOf } from '../derived/index.ts';
import type { Sweep } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { type MarkLine, placeAlong, type Run } from '../marks/index.ts';
import { cutLine } from './cutLine.ts';

/**
 * What a swept rubber leaves of a mark: its lines cut where their ink begins to lie under the rubber, as one mark still;
 * what is shorter than the line is wide is swept up. The same mark when it is not touched, null when nothing is left.
 */
export function rubMark(mark: Mark, sweep: Sweep): Mark | null {
  const reach = halfWidthOf(mark);
  const lines = linesOf(mark);
  let touched = false;
  const left = lines.flatMap((line): Run[] => {
    const parts = cutLine(line.points, sweep, mark.style.width, (i) => reach(line, i));
    if (!parts) return [runOf(line, 0, line.points.length - 1)];
    touched = true;
    return parts.map(([from, to]) => runOf(line, from, to));
  });
  if (!touched) return mark;
  return left.length === 0 ? null : { ...mark, left };
}

const halfWidths = new WeakMap<MarkLine, { readonly width: number; readonly all: number[] }>();

/** How far the ink reaches to either side at point `i`, points. */
function halfWidthOf(mark: Mark): (line: MarkLine, i: number) => number {
  const reach = reachOf(mark);
  const { width } = mark.style;
  return (line, i) => {
    // A line is rubbed in many frames.
    let known = halfWidths.get(line);
    if (known?.width !== width)
      halfWidths.set(line, (known = { width, all: line.points.map(reach) }));
    return known.all[i];
  };
}

const runOf = (line: MarkLine, from: number, to: number): Run => ({
  line: line.line,
  from: placeAlong(line, from),
  to: placeAlong(line, to),
});
