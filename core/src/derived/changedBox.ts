import {
  type Box,
  boxOfPoints,
  EMPTY_BOX,
  growBox,
  uniteBoxes,
  type Vec,
} from '../geometry/index.ts';
import { type InkSample, radiusAt } from '../ink/index.ts';
import type { Mark, Run } from '../marks/index.ts';
import { type MarkLine, pointsBetween, wholeLines } from './lines.ts';
import { boundsOf, nibOf } from './outlineOf.ts';

/** Room for antialiasing, points. */
const ROOM = 0.5;

/** Around all that looks otherwise when `was` becomes `is`; of a mark that is only rubbed, what was rubbed out. */
export function changedBox(was: Mark, is: Mark): Box {
  if (!isRubbedOnly(was, is)) return uniteBoxes(boundsOf(was), boundsOf(is));
  return wholeLines(was)
    .flatMap((line) =>
      differing(runsOf(was, line), runsOf(is, line)).map(([from, to]) => {
        const points = pointsBetween(line, from, to);
        return growBox(boxOfPoints(points), widest(was, points) + ROOM);
      }),
    )
    .reduce(uniteBoxes, EMPTY_BOX);
}

/** Whether two marks look alike but for what is left of their lines. */
function isRubbedOnly(a: Mark, b: Mark): boolean {
  if (a.style !== b.style || a.order !== b.order) return false;
  if (a.kind === 'ink') return b.kind === 'ink' && a.ink === b.ink && a.tool === b.tool;
  return b.kind === 'figure' && a.figure === b.figure && a.dash === b.dash && a.fill === b.fill;
}

type Part = readonly [from: number, to: number];

const runsOf = ({ left }: Mark, { line, at }: MarkLine): Part[] =>
  left
    ? left.filter((run) => run.line === line).map(({ from, to }: Run): Part => [from, to])
    : [[0, at[at.length - 1]]];

/** Where one set of parts has something and the other nothing. Parts are in order and do not overlap. */
function differing(a: readonly Part[], b: readonly Part[]): Part[] {
  const ends = [a, b]
    .flatMap((parts, which) => parts.flat().map((place) => ({ place, which })))
    .sort((p, q) => p.place - q.place);
  const isIn = [false, false];
  const out: Part[] = [];
  ends.forEach(({ place, which }, i) => {
    isIn[which] = !isIn[which];
    const next = ends[i + 1]?.place;
    if (isIn[0] !== isIn[1] && next > place) out.push([place, next]);
  });
  return out;
}

function widest(mark: Mark, points: readonly Vec[]): number {
  if (mark.kind === 'figure') return mark.style.width / 2;
  const nib = nibOf(mark);
  return Math.max(...points.map((p) => radiusAt(nib, p as InkSample)));
}
