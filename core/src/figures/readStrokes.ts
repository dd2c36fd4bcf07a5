import {
  angleAt,
  distance,
  polylineLength,
  resamplePolyline,
  type Vec,
  degrees,
} from '../geometry/index.ts';
import { type Candidate } from './candidate.ts';
import { crossOf } from './crossing.ts';
import type { Figure } from './figure.ts';
import { spanOf } from './fitLine.ts';
import { readLine } from './readOpen.ts';

/** Strokes follow each other when they are apart by at most this share of the whole span. */
const WIDEST_GAP = 0.16;
/** A cap is at most this share of its line, and crosses it at nearly a right angle. */
const LONGEST_CAP = 0.4;
const CAP_ANGLE = degrees(60);
/** And its middle lies so near to the line's end, in shares of its own length. */
const CAP_REACH = 0.7;

type Line = { readonly from: Vec; readonly to: Vec; readonly stray: number };

/** The straight line that a stroke is; null when it is none. */
export function lineOf(points: readonly Vec[]): Line | null {
  const [candidate] = readLine(resamplePolyline(points, 24));
  if (candidate?.figure.kind !== 'line') return null;
  const { from, to } = candidate.figure;
  return { from, to, stray: candidate.stray };
}

/** Two lines that cross near their middles. */
export function readCross(strokes: readonly (readonly Vec[])[]): Candidate[][] {
  if (strokes.length !== 2) return [];
  const [a, b] = strokes.map(lineOf);
  const figure = a && b && crossOf(a, b);
  return figure ? [[{ figure, stray: Math.max(a.stray, b.stray), freedoms: 8 }]] : [];
}

/** A line with a short bar across each end. */
export function readCapped(strokes: readonly (readonly Vec[])[]): Candidate[][] {
  if (strokes.length !== 3) return [];
  const lines = strokes.map(lineOf);
  if (lines.some((line) => line === null)) return [];
  const [long, ...bars] = (lines as Line[]).sort(
    (a, b) => distance(b.from, b.to) - distance(a.from, a.to),
  );
  const length = distance(long.from, long.to);
  const middle = ({ from, to }: Line): Vec => ({ x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 });
  const isCap = (bar: Line, end: Vec, other: Vec): boolean => {
    const size = distance(bar.from, bar.to);
    const at = middle(bar);
    const angle = angleAt({ x: at.x + other.x - end.x, y: at.y + other.y - end.y }, at, bar.to);
    return (
      size < LONGEST_CAP * length &&
      distance(at, end) < CAP_REACH * size &&
      Math.min(angle, Math.PI - angle) > CAP_ANGLE
    );
  };
  const fits = (a: Line, b: Line): boolean =>
    isCap(a, long.from, long.to) && isCap(b, long.to, long.from);
  if (!fits(bars[0], bars[1]) && !fits(bars[1], bars[0])) return [];
  const caps = (distance(bars[0].from, bars[0].to) + distance(bars[1].from, bars[1].to)) / 2;
  const figure: Figure = { kind: 'line', from: long.from, to: long.to, caps };
  return [[{ figure, stray: long.stray, freedoms: 5 }]];
}

/** Strokes that follow each other end to end, as one line; null when they do not. */
export function joined(strokes: readonly (readonly Vec[])[]): Vec[] | null {
  const widest = WIDEST_GAP * spanOf(strokes.flat());
  const rest = [...strokes].sort((a, b) => polylineLength(b) - polylineLength(a));
  let line: Vec[] = [...(rest.shift() ?? [])];
  while (rest.length > 0) {
    let best = Infinity;
    let next: Vec[] = [];
    let which = 0;
    rest.forEach((stroke, i) => {
      for (const s of [stroke, [...stroke].reverse()]) {
        const after = distance(line[line.length - 1], s[0]);
        const before = distance(line[0], s[s.length - 1]);
        if (Math.min(after, before) >= best) continue;
        best = Math.min(after, before);
        next = after <= before ? [...line, ...s] : [...s, ...line];
        which = i;
      }
    });
    if (best > widest) return null;
    line = next;
    rest.splice(which, 1);
  }
  return line;
}
