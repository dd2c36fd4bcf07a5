import {
  angleAt,
  cross,
  distance,
  simplifiedIndices,
  nearestOnSegment,
  subtract,
  type Vec,
} from '../geometry/index.ts';
import type { FigureReading } from './figure.ts';
import { spanOf } from './fitLine.ts';
import { readLine } from './readLine.ts';

/** Corners of a head may be rounded off by this share of the arrow's span. */
const CORNER_TOLERANCE = 0.04;
/** The head meets the shaft's end within this share of the shaft. */
const TIP_REACH = 0.2;
/** A barb is at most this share of the shaft. */
const LONGEST_BARB = 0.6;
const SMALLEST_BARB_ANGLE = (12 * Math.PI) / 180;
const LARGEST_BARB_ANGLE = (80 * Math.PI) / 180;

/** An arrow in one stroke (shaft, tip, barb, back to the tip, barb) or in two or three. */
export function readArrow(strokes: readonly (readonly Vec[])[]): FigureReading | null {
  if (strokes.length === 1) return readOneStroke(strokes[0]);
  if (strokes.length > 3) return null;
  const [shaft, ...rest] = [...strokes].sort((a, b) => spanOf(b) - spanOf(a));
  const line = readLine(shaft);
  if (line?.figure.kind !== 'line') return null;
  const { from, to } = line.figure;
  return readHead(from, to, rest, line.confidence) ?? readHead(to, from, rest, line.confidence);
}

function cornersOf(points: readonly Vec[]): number[] {
  return simplifiedIndices(
    points.length,
    CORNER_TOLERANCE * spanOf(points),
    (i, a, b) => nearestOnSegment(points[i], points[a], points[b]).distance,
  );
}

function readOneStroke(points: readonly Vec[]): FigureReading | null {
  const corners = cornersOf(points);
  if (corners.length < 4 || corners.length > 6) return null;
  const shaft = readLine(points.slice(0, corners[1] + 1));
  if (shaft?.figure.kind !== 'line') return null;
  const { from, to } = shaft.figure;
  return readHead(from, to, [points.slice(corners[1])], shaft.confidence);
}

/** Two barbs, one on each side of the shaft, that start at its end. */
function readHead(
  from: Vec,
  tip: Vec,
  strokes: readonly (readonly Vec[])[],
  shaftConfidence: number,
): FigureReading | null {
  const shaft = distance(from, tip);
  const far = strokes.flatMap((s) => cornersOf(s).map((i) => s[i]));
  const barbs = far.filter((p) => distance(p, tip) > TIP_REACH * 0.5 * shaft);
  const atTip = strokes.every((s) => s.some((p) => distance(p, tip) < TIP_REACH * shaft));
  const sides = barbs.map((p) => Math.sign(cross(subtract(from, tip), subtract(p, tip))));
  if (!atTip || barbs.length !== 2 || sides[0] === sides[1]) return null;
  const fits = barbs.every((p) => {
    const angle = angleAt(from, tip, p);
    return (
      angle > SMALLEST_BARB_ANGLE &&
      angle < LARGEST_BARB_ANGLE &&
      distance(p, tip) < LONGEST_BARB * shaft
    );
  });
  if (!fits) return null;
  const head = (distance(barbs[0], tip) + distance(barbs[1], tip)) / 2;
  const even = Math.min(...barbs.map((p) => distance(p, tip))) / head;
  return {
    kind: 'arrow',
    confidence: shaftConfidence * (0.7 + 0.3 * even),
    figure: { kind: 'arrow', from, to: tip, head },
    others: [],
  };
}
