import { angleAt, distance, type Vec } from '../geometry/index.ts';
import { type FittedLine, fitLine, meetingPoint, onLine } from './fitLine.ts';

/** Share of a piece at either end that is left out of its line, being rounded off. */
const ROUNDED = 0.18;
/** A corner found where lines meet may lie so far from where the pen turned, in shares of the shorter piece. */
const FARTHEST = 0.45;

/** The line of the points `from` to `to`, without their rounded ends. */
function lineOf(points: readonly Vec[], from: number, to: number): FittedLine {
  const trim = Math.floor((to - from) * ROUNDED);
  return fitLine(points.slice(from + trim, to - trim + 1));
}

/** Where two neighbouring pieces meet, at the cut `at`; the cut itself when their lines tell nothing. */
function cornerOf(a: FittedLine, b: FittedLine, at: Vec, shorter: number): Vec {
  const p = meetingPoint(a, b);
  return p && distance(p, at) < FARTHEST * shorter ? p : at;
}

const lengthOf = (points: readonly Vec[], from: number, to: number): number =>
  distance(points[from], points[to]);

/** Corners of an open line cut at `cuts`, its ends included, as sharp as they were meant. */
export function openCorners(points: readonly Vec[], cuts: readonly number[]): Vec[] {
  const lines = cuts.slice(1).map((to, k) => lineOf(points, cuts[k], to));
  const inner = lines.slice(1).map((line, k) => {
    const at = cuts[k + 1];
    const shorter = Math.min(lengthOf(points, cuts[k], at), lengthOf(points, at, cuts[k + 2]));
    return cornerOf(lines[k], line, points[at], shorter);
  });
  return [
    onLine(lines[0], points[0]),
    ...inner,
    onLine(lines[lines.length - 1], points[points.length - 1]),
  ];
}

/** Corners of a closed line whose first and last point are one corner. */
export function closedCorners(points: readonly Vec[], cuts: readonly number[]): Vec[] {
  const lines = cuts.slice(1).map((to, k) => lineOf(points, cuts[k], to));
  return lines.map((line, k) => {
    const before = (k + lines.length - 1) % lines.length;
    const shorter = Math.min(
      lengthOf(points, cuts[before], cuts[before + 1]),
      lengthOf(points, cuts[k], cuts[k + 1]),
    );
    return cornerOf(lines[before], line, points[cuts[k]], shorter);
  });
}

/** By how much a closed line turns at each of its corners, radians, 0–π. */
export const closedTurns = (corners: readonly Vec[]): number[] =>
  corners.map((p, k) => {
    const n = corners.length;
    return Math.PI - angleAt(corners[(k + n - 1) % n], p, corners[(k + 1) % n]);
  });

/** By how much an open line turns at each corner between its ends, radians, 0–π. */
export const openTurns = (corners: readonly Vec[]): number[] =>
  corners.slice(1, -1).map((p, k) => Math.PI - angleAt(corners[k], p, corners[k + 2]));

/** The turn at a cut is felt over this share of the shorter piece beside it, in points of which these are least and most. */
const FEEL = 0.17;
const LEAST_FEEL = 2;
const MOST_FEEL = 4;
/** At true corners most of the turn is where the line is cut; a bend has it all along. On the mean, and at the least. */
const SHARP = [0.55, 0.3] as const;
/** Corners that a quick pen has rounded off. */
const BLUNT = [0.4, 0.18] as const;

/** Whether a line turns at its corners and not between them: sharply, bluntly, or hardly more there than elsewhere. */
export type Cornered = 'sharp' | 'blunt' | 'hardly';
/** Smaller ink with many blunt corners is a letter, points. */
export const LEAST_BLUNT = 56;

/**
 * How a line turns at its corners (`turns`, radians). `at` gives its points, around a loop too; each corner is the index
 * of its point with the points of the shorter piece beside it.
 */
export function cornersOf(
  at: (i: number) => Vec,
  corners: readonly { readonly cut: number; readonly shorter: number }[],
  turns: readonly number[],
): Cornered {
  const shares = corners.map(({ cut, shorter }, k) => {
    const feel = Math.min(MOST_FEEL, Math.max(LEAST_FEEL, Math.round(FEEL * shorter)));
    const here = Math.PI - angleAt(at(cut - feel), at(cut), at(cut + feel));
    return Math.min(1, here / turns[k]);
  });
  const mean = shares.reduce((a, b) => a + b, 0) / shares.length;
  const least = Math.min(...shares);
  const isLike = ([onMean, atLeast]: readonly [number, number]): boolean =>
    mean > onMean && least > atLeast;
  return isLike(SHARP) ? 'sharp' : isLike(BLUNT) ? 'blunt' : 'hardly';
}
