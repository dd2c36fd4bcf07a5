import { distance, lerp, transform, type Vec } from '../geometry/index.ts';
import { type Figure, figureLines } from '../figures/index.ts';
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

/** By what was drawn, so that a mark that is rubbed or restyled keeps its lines. */
const whole = new WeakMap<WrittenInk | Figure, readonly MarkLine[]>();
const left = new WeakMap<Mark, readonly MarkLine[]>();
/** The parts last asked for of a line, so that rubbing at one end leaves what is known of the others. */
const parts = new WeakMap<MarkLine, ReadonlyMap<string, MarkLine>>();

const drawnOf = (mark: Mark): WrittenInk | Figure => (mark.kind === 'ink' ? mark.ink : mark.figure);

/** The lines a mark was drawn along, before any of it was rubbed out. */
export function wholeLines(mark: Mark): readonly MarkLine[] {
  let lines = whole.get(drawnOf(mark));
  if (!lines) {
    lines = mark.kind === 'ink' ? [inkLine(mark)] : figureLines(mark.figure).map(figureLine);
    whole.set(drawnOf(mark), lines);
  }
  return lines;
}

/** Takes over a line of ink that another thread has worked out; its times are places. */
export const adoptLine = ({ ink }: InkMark, points: readonly InkSample[]): void => {
  whole.set(ink, [{ line: 0, points, at: points.map((p) => p.t) }]);
};

/** The lines that are left of a mark: what every outline and hit test goes along. */
export function linesOf(mark: Mark): readonly MarkLine[] {
  if (!mark.left) return wholeLines(mark);
  let lines = left.get(mark);
  if (!lines) {
    const runs = mark.left;
    lines = wholeLines(mark).flatMap((line) =>
      partsOf(
        line,
        runs.filter((run) => run.line === line.line),
      ),
    );
    left.set(mark, lines);
  }
  return lines;
}

function inkLine({ ink }: InkMark): MarkLine {
  const { place } = ink;
  const drawn = centrelineFor(ink);
  const points = place ? drawn.map((p) => ({ ...p, ...transform(place, p) })) : drawn;
  return { line: 0, points, at: drawn.map((p) => p.t) };
}

interface Smoothed extends Pick<WrittenInk, 'steadiness' | 'straight' | 'hand'> {
  readonly points: readonly InkSample[];
}

const smoothed = new WeakMap<WrittenInk['samples'], Smoothed>();

/** Kept as long as the samples, which ink takes along wherever it is moved. */
function centrelineFor(ink: WrittenInk): readonly InkSample[] {
  const { samples, steadiness, straight, hand } = ink;
  const known = smoothed.get(samples);
  if (known?.steadiness === steadiness && known.straight === straight && known.hand === hand)
    return known.points;
  const points = inkCentreline(ink);
  smoothed.set(samples, { steadiness, straight, hand, points });
  return points;
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

/** The points of a line between two places along it, and one at either. */
export function pointsBetween({ points, at }: MarkLine, from: number, to: number): Vec[] {
  return [
    pointAt(points, at, from),
    ...points.slice(firstAt(at, from, true), firstAt(at, to, false)),
    pointAt(points, at, to),
  ];
}

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
