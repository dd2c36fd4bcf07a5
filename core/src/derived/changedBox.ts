import { type Box, boxOfPoints, EMPTY_BOX, growBox, uniteBoxes } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { type MarkLine, pointsAround, type Run } from '../marks/index.ts';
import { boundsOf } from './drawingOf.ts';
import { reachOf, wholeLines } from './lines.ts';

/** Room for antialiasing, points. */
const ROOM = 0.5;
/** A cut turns the corner at the next point by a hair, and with it the side that leads on to the one after. */
const NEIGHBOURS = 2;

/** Around all that looks otherwise when `was` becomes `is`; of a mark that is only rubbed, where it was. */
export function changedBox(was: Mark, is: Mark): Box {
  if (!isRubbedOnly(was, is)) return uniteBoxes(boundsOf(was), boundsOf(is));
  const reach = reachOf(was);
  return wholeLines(was)
    .flatMap((line) =>
      differing(runsOf(was, line), runsOf(is, line)).map(([from, to]) => {
        const points = pointsAround(line, from, to, NEIGHBOURS);
        return growBox(boxOfPoints(points), Math.max(...points.map(reach)) + ROOM);
      }),
    )
    .reduce(uniteBoxes, EMPTY_BOX);
}

/** What may differ without anything being drawn otherwise, or only in part. */
const UNSEEN: ReadonlySet<string> = new Set(['left', 'group', 'author', 'locked']);

/** Whether two marks look alike but for what is left of their lines. */
function isRubbedOnly(a: Mark, b: Mark): boolean {
  if (wholeLines(a).length === 0) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  for (const key of keys)
    if (!UNSEEN.has(key) && a[key as keyof Mark] !== b[key as keyof Mark]) return false;
  return true;
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
