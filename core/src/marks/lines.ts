import { distance, lerp, polylineLength, type Vec } from '../geometry/index.ts';
import { type InkSample, sampleBetween } from '../ink/index.ts';
import type { MarkBase, Run } from './mark.ts';

/** A line of a mark, or what is left of one. The points of ink are samples. */
export interface MarkLine {
  /** Which of the mark's lines. */
  readonly line: number;
  readonly points: readonly Vec[];
  /** For each point its place along the whole line, as {@link Run} counts it. */
  readonly at: readonly number[];
}

const left = new WeakMap<MarkBase, readonly MarkLine[]>();
/** The parts last asked for of a line, so that rubbing at one end leaves what is known of the others. */
const parts = new WeakMap<MarkLine, ReadonlyMap<string, MarkLine>>();

/** Which of a mark's whole lines are left, and which parts of them: what outlines and hit tests go along. */
export function leftOf(mark: MarkBase, whole: readonly MarkLine[]): readonly MarkLine[] {
  const runs = mark.left;
  if (!runs) return whole;
  let lines = left.get(mark);
  if (!lines) {
    lines = whole.flatMap((line) =>
      partsOf(
        line,
        runs.filter((run) => run.line === line.line),
      ),
    );
    left.set(mark, lines);
  }
  return lines;
}

/** A polyline as a line whose places are shares of its length. */
export function lineByLength(points: readonly Vec[], line: number): MarkLine {
  const sums = [0];
  for (let i = 1; i < points.length; i++)
    sums.push(sums[i - 1] + distance(points[i - 1], points[i]));
  const long = sums[sums.length - 1] || 1;
  return { line, points, at: sums.map((sum) => sum / long) };
}

/** How much of a whole line lies before and after a part of it, points. */
export function beyondPart(
  { points: whole, at: places }: MarkLine,
  { points, at }: MarkLine,
): { before: number; after: number } {
  if (whole.length === points.length) return { before: 0, after: 0 };
  const upTo = polylineLength([...whole.filter((_, i) => places[i] < at[0]), points[0]]);
  const rest = polylineLength(whole) - upTo - polylineLength(points);
  return { before: upTo, after: Math.max(0, rest) };
}

function partsOf(line: MarkLine, runs: readonly Run[]): readonly MarkLine[] {
  const before = parts.get(line);
  const now = new Map<string, MarkLine>();
  const found = runs.map((run) => {
    const key = `${run.from} ${run.to}`;
    const part = before?.get(key) ?? partOf(line, run);
    now.set(key, part);
    return part;
  });
  parts.set(line, now);
  return found;
}

/** Of increasing places the first that is not before `place`, or that is past it; their number when there is none. */
function firstAt(at: readonly number[], place: number, isPast: boolean): number {
  let [low, high] = [0, at.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isPast ? at[middle] > place : at[middle] >= place) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** The points of a line between two places along it, and `more` beyond either. */
export const pointsAround = (
  { points, at }: MarkLine,
  from: number,
  to: number,
  more: number,
): readonly Vec[] =>
  points.slice(Math.max(0, firstAt(at, from, false) - more), firstAt(at, to, true) + more);

function partOf({ line, points, at }: MarkLine, { from, to }: Run): MarkLine {
  const inner = range(firstAt(at, from, true), firstAt(at, to, false));
  const ends = from === to ? [from] : [from, to];
  const cut = ends.map((place) => pointAt(points, at, place));
  return {
    line,
    points: [cut[0], ...inner.map((i) => points[i]), ...cut.slice(1)],
    at: [from, ...inner.map((i) => at[i]), ...ends.slice(1)],
  };
}

const range = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, to - from) }, (_, k) => from + k);

function pointAt(points: readonly Vec[], at: readonly number[], place: number): Vec {
  const next = firstAt(at, place, false);
  if (next === at.length) return points[points.length - 1];
  if (next === 0 || at[next] === place) return points[next];
  return between(
    points[next - 1],
    points[next],
    (place - at[next - 1]) / (at[next] - at[next - 1]),
  );
}

const between = (a: Vec, b: Vec, u: number): Vec =>
  'pressure' in a ? sampleBetween(a as InkSample, b as InkSample, u) : lerp(a, b, u);

/** The place along a mark's line of a place along the points of what is left of it (2.25: past point 2). */
export function placeAlong({ at }: MarkLine, along: number): number {
  const i = Math.floor(along);
  return i + 1 < at.length ? at[i] + (at[i + 1] - at[i]) * (along - i) : at[i];
}
