import { distance, polylineLength, type Vec } from '../geometry/index.ts';
import type { FigureReading } from './figure.ts';
import { fitLine, offsetFrom, onLine } from './fitLine.ts';

/** A hand-drawn line strays from straight by at most this share of its length. */
const MOST_STRAY = 0.05;
/** And is at most this much longer than the way from end to end. */
const MOST_DETOUR = 1.15;

/** The straight line `points` were meant to be; null when they bend. */
export function readLine(points: readonly Vec[]): FigureReading | null {
  const first = points[0];
  const last = points[points.length - 1];
  const chord = distance(first, last);
  if (chord === 0 || polylineLength(points) > MOST_DETOUR * chord) return null;
  const line = fitLine(points);
  const stray = Math.max(...points.map((p) => Math.abs(offsetFrom(line, p)))) / chord;
  if (stray > MOST_STRAY) return null;
  return {
    kind: 'line',
    confidence: 1 - 0.5 * (stray / MOST_STRAY),
    figure: { kind: 'line', from: onLine(line, first), to: onLine(line, last) },
    others: [],
  };
}
