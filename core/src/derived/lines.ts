import { distance, lerp, transform, type Vec } from '../geometry/index.ts';
import { figureLines } from '../figures/index.ts';
import {
  centrelineOf,
  type InkSample,
  sampleBetween,
  smoothInkAs,
  smoothInkOne,
  straightLine,
} from '../ink/index.ts';
import type { InkMark, Mark, Run, WrittenInk } from '../marks/index.ts';

/** A line of a mark, or what is left of one. The points of ink are samples. */
export interface MarkLine {
  /** Which of the mark's lines. */
  readonly line: number;
  readonly points: readonly Vec[];
  /** For each point its place along the whole line, as {@link Run} counts it. */
  readonly at: readonly number[];
}

const whole = new WeakMap<Mark, readonly MarkLine[]>();
const left = new WeakMap<Mark, readonly MarkLine[]>();

/** The lines a mark was drawn along, before any of it was rubbed out. */
export function wholeLines(mark: Mark): readonly MarkLine[] {
  let lines = whole.get(mark);
  if (!lines) {
    lines = mark.kind === 'ink' ? [inkLine(mark)] : figureLines(mark.figure).map(figureLine);
    whole.set(mark, lines);
  }
  return lines;
}

/** Takes over a line of ink that another thread has worked out; its times are places. */
export const adoptLine = (mark: InkMark, points: readonly InkSample[]): void => {
  whole.set(mark, [{ line: 0, points, at: points.map((p) => p.t) }]);
};

/** The lines that are left of a mark: what every outline and hit test goes along. */
export function linesOf(mark: Mark): readonly MarkLine[] {
  if (!mark.left) return wholeLines(mark);
  let lines = left.get(mark);
  if (!lines) {
    const all = wholeLines(mark);
    lines = mark.left.flatMap((run) => (all[run.line] ? [partOf(all[run.line], run)] : []));
    left.set(mark, lines);
  }
  return lines;
}

function inkLine({ ink }: InkMark): MarkLine {
  const { place } = ink;
  const drawn = inkCentreline(ink);
  const points = place ? drawn.map((p) => ({ ...p, ...transform(place, p) })) : drawn;
  return { line: 0, points, at: drawn.map((p) => p.t) };
}

/** Smoothed, joined and thinned; instead of times it has places among the samples. */
function inkCentreline({ samples, steadiness, straight, hand }: WrittenInk): InkSample[] {
  const placed = (all: readonly InkSample[]): InkSample[] => all.map((s, t) => ({ ...s, t }));
  if (straight) return straightLine(placed(samples));
  return centrelineOf(
    placed(hand ? smoothInkAs(samples, steadiness, hand) : smoothInkOne(samples, steadiness)),
  );
}

function figureLine(points: readonly Vec[], line: number): MarkLine {
  const sums = [0];
  for (let i = 1; i < points.length; i++)
    sums.push(sums[i - 1] + distance(points[i - 1], points[i]));
  const long = sums[sums.length - 1] || 1;
  return { line, points, at: sums.map((sum) => sum / long) };
}

function partOf({ line, points, at }: MarkLine, { from, to }: Run): MarkLine {
  const first = at.findIndex((place) => place > from);
  const end = at.findIndex((place) => place >= to);
  const inner = first < 0 ? [] : range(first, end < 0 ? at.length : end);
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
  const next = at.findIndex((p) => p >= place);
  if (next < 0) return points[points.length - 1];
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
