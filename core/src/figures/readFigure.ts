import type { Vec } from '../geometry/index.ts';
import type { InkSample } from '../ink/index.ts';
import type { FigureReading } from './figure.ts';
import { spanOf } from './fitLine.ts';
import { readArrow } from './readArrow.ts';
import { readLine } from './readLine.ts';
import { readLoop } from './readLoop.ts';

/** Ink smaller than this is a letter, a dot or a tick, points. */
const SMALLEST = 14;

/**
 * What geometric figure the strokes were meant to be, with the next best readings; null when they are
 * more likely writing. Several strokes are read as one arrow only.
 */
export function readFigure(strokes: readonly (readonly InkSample[])[]): FigureReading | null {
  const lines: Vec[][] = strokes
    .filter((s) => s.length > 1)
    .map((s) => s.map(({ x, y }) => ({ x, y })));
  if (lines.length === 0 || spanOf(lines.flat()) < SMALLEST) return null;
  const readings =
    lines.length > 1
      ? [readArrow(lines)]
      : [readLine(lines[0]), readArrow(lines), ...readLoop(lines[0])];
  const [best, ...others] = readings
    .filter((r): r is FigureReading => r !== null)
    .sort((a, b) => b.confidence - a.confidence);
  return best ? { ...best, others } : null;
}
