import { resamplePolyline, type Vec } from '../geometry/index.ts';
import type { InkSample } from '../ink/index.ts';
import { type Candidate, confidenceOf, costOf, isBelievable } from './candidate.ts';
import type { Figure, FigureKind, FigureReading } from './figure.ts';
import { spanOf } from './fitLine.ts';
import { withoutHooks } from './hooks.ts';
import { readArrow } from './readArrow.ts';
import { readClosed } from './readClosed.ts';
import { readCloud } from './readCloud.ts';
import { readOpen } from './readOpen.ts';
import { joined, lineOf, readCapped, readCross } from './readStrokes.ts';
import { isWave } from './wave.ts';

/** Ink of a smaller span is a dot, points. */
const SMALLEST = 7;
/** Points of a stroke that is read. */
const POINTS = 72;
/** And of an arrow in one stroke, whose head is a small part of it. */
const ARROW_POINTS = 160;
/** Strokes of more samples are read from so many. */
const MOST_SAMPLES = 400;
/** Strokes that one figure may be made of. */
const MOST_STROKES = 5;
/** Figures that may be drawn side by side. */
const FOUR_SIDED: ReadonlySet<FigureKind> = new Set([
  'rectangle',
  'square',
  'diamond',
  'parallelogram',
]);
/** All that may be read where the likeliest figure would be believed only if it were larger: the rest are letters. */
const MADE_SMALL: ReadonlySet<FigureKind> = new Set(['line', 'tick', 'cross', 'arrow']);
/** When the next best explains the ink nearly as well, the best is less sure. */
const CLOSE = 6;
const UNSURE = 0.9;

/**
 * What geometric figure the strokes, taken together, were meant to be, with the next best readings; null when they
 * are more likely writing. Takes one to five strokes in any order.
 */
export function readFigure(strokes: readonly (readonly InkSample[])[]): FigureReading | null {
  const lines = strokes.map(placesOf).filter((line) => line.length > 1);
  if (lines.length === 0 || lines.length > MOST_STROKES) return null;
  const span = spanOf(lines.flat());
  if (span < SMALLEST) return null;
  const families = (lines.length === 1 ? readOne(lines[0]) : readSeveral(lines))
    .map((family) => ({ family, cost: Math.min(...family.map(costOf)) }))
    .sort((a, b) => a.cost - b.cost);
  const isSmall = families.length > 0 && isTooSmall(families[0].family, span);
  const readings = families.flatMap(({ family, cost }) =>
    family
      .filter((candidate) => isBelievable(candidate, span))
      .filter(({ figure }) => !isSmall || MADE_SMALL.has(figure.kind))
      .map((candidate) => ({ candidate, cost })),
  );
  if (readings.length === 0) return null;
  const rival = readings.find(({ cost }) => cost !== readings[0].cost);
  const doubt = rival && rival.cost - readings[0].cost < CLOSE ? UNSURE : 1;
  const [best, ...others] = readings.map(({ candidate }, i) => ({
    ...readingOf(candidate),
    ...(i === 0 ? { confidence: doubt * confidenceOf(candidate) } : {}),
  }));
  return { ...best, others: distinct(best, others) };
}

/** Whether the likeliest of a family would be believed only if it were larger. */
function isTooSmall(family: readonly Candidate[], span: number): boolean {
  const best = family.reduce((a, b) => (costOf(b) < costOf(a) ? b : a));
  return isBelievable(best, Infinity) && !isBelievable(best, span);
}

function readOne(line: readonly Vec[]): Candidate[][] {
  const points = withoutHooks(resamplePolyline(line, POINTS));
  const cloud = readCloud(line);
  const closed = [...(cloud.length > 0 ? [cloud] : []), ...readClosed(points)];
  const arrows = readArrow([resamplePolyline(line, ARROW_POINTS)]);
  // What comes back to where it began is not a line that happens to end there.
  if (closed.length > 0) return [...closed, ...arrows];
  const open = readOpen(resamplePolyline(points, POINTS));
  // What crosses in the middle is a cross, not a shaft with a great head.
  const isCross = open.flat().some(({ figure }) => figure.kind === 'cross');
  return isCross ? open : [...arrows, ...open];
}

function readSeveral(lines: readonly Vec[][]): Candidate[][] {
  if (lines.some((stroke) => isWave(resamplePolyline(stroke, POINTS)))) return [];
  const line = joined(lines);
  const special = [...readCross(lines), ...readCapped(lines), ...readArrow(lines)];
  if (special.length > 0 || !line) return special;
  // Of several strokes that follow each other four sides are read, and others a stroke a side: letters are made of the rest.
  const sides = lines.every((stroke) => lineOf(stroke)) ? lines.length : 0;
  return readClosed(withoutHooks(resamplePolyline(line, POINTS)), true).filter((family) =>
    family.some(({ figure }) => FOUR_SIDED.has(figure.kind) || sidesOf(figure) === sides),
  );
}

/** How many sides a figure of straight sides has; NaN for others. */
function sidesOf(figure: Figure): number {
  if (figure.kind === 'triangle') return 3;
  return figure.kind === 'polygon' ? figure.corners.length : NaN;
}

/** The places of a stroke, none twice in turn, and not more than are needed. */
function placesOf(stroke: readonly InkSample[]): Vec[] {
  const out: Vec[] = [];
  for (const { x, y } of stroke) {
    const last = out[out.length - 1];
    if (!last || last.x !== x || last.y !== y) out.push({ x, y });
  }
  return out.length > MOST_SAMPLES ? resamplePolyline(out, MOST_SAMPLES) : out;
}

const readingOf = (candidate: Candidate): FigureReading => ({
  kind: candidate.figure.kind,
  confidence: confidenceOf(candidate),
  figure: candidate.figure,
  others: [],
});

/** The readings after the best, one of each kind, none surer than those before. */
function distinct(best: FigureReading, others: readonly FigureReading[]): FigureReading[] {
  const out: FigureReading[] = [];
  let least = best.confidence;
  for (const other of others) {
    if (other.kind === best.kind || out.some(({ kind }) => kind === other.kind)) continue;
    least = Math.min(least, other.confidence);
    out.push({ ...other, confidence: least });
  }
  return out;
}
