import {
  angleAt,
  distance,
  polylineLength,
  resamplePolyline,
  segmentDistance,
  type Vec,
  degrees,
} from '../geometry/index.ts';
import { type Candidate, candidateFor } from './candidate.ts';
import { closedCorners, closedTurns, type Cornered, cornersOf, LEAST_BLUNT } from './corners.ts';
import type { Figure } from './figure.ts';
import { spanOf } from './fitLine.ts';
import { quadrilaterals } from './quadrilateral.ts';
import { readRound } from './readRound.ts';
import { starOf } from './readStar.ts';
import { straightPieces } from './straightPieces.ts';

/** Points of a loop that is read. */
const POINTS = 72;
/** The ends of a loop are apart by at most this share of its length, and of its span. */
const WIDEST_GAP = 0.13;
const WIDEST_OPENING = 0.42;
/** Overshoot is looked for in this share of the stroke at either end. */
const OVERSHOOT = 0.2;
/** Cutting off a point costs so much of the span, so that a plain loop keeps its ends. */
const CUTTING = 0.002;
const MOST_CORNERS = 10;
/** A corner turns by more than this, radians. */
const LEAST_TURN = degrees(22);
/** A side is at least this share of the mean side. */
const SHORTEST_SIDE = 0.24;
/** What corners cost that are not sharp, in freedoms: they must explain the ink that much better. */
const BLUNT = 3;
/** Of more than four blunt ones a round thing can be made; of four sides with hardly a corner, nearly. */
const MANY_BLUNT = 6;
const HARDLY = 10;
/** Points on either side over which a turn is felt. */
const FEEL = 4;

/**
 * What a closed line may be: families of like figures, each with its most regular member first.
 * @param isJoined whether it is made of several strokes, as letters are
 */
export function readClosed(stroke: readonly Vec[], isJoined = false): Candidate[][] {
  const loop = closedLoop(stroke);
  if (!loop) return [];
  return [readRound(loop), ...polygons(loop, isJoined)].filter((family) => family.length > 0);
}

/** Evenly spaced points of the loop without its overshoot, the first again at the end; null when it does not close. */
function closedLoop(stroke: readonly Vec[]): Vec[] | null {
  const points = resamplePolyline(stroke, POINTS);
  const span = spanOf(points);
  const reach = Math.floor(POINTS * OVERSHOOT);
  let best = Infinity;
  let from = 0;
  let to = POINTS - 1;
  for (let i = 0; i < reach; i++)
    for (let j = POINTS - reach; j < POINTS; j++) {
      const d = distance(points[i], points[j]) + CUTTING * span * (i + POINTS - 1 - j);
      if (d < best) {
        best = d;
        from = i;
        to = j;
      }
    }
  const kept = points.slice(from, to + 1);
  const gap = distance(kept[0], kept[kept.length - 1]);
  if (gap > WIDEST_GAP * polylineLength(kept) || gap > WIDEST_OPENING * span) return null;
  const loop = resamplePolyline([...kept, kept[0]], POINTS);
  return startingAtCorner(loop);
}

/** The same loop from its sharpest turn on. */
function startingAtCorner(loop: readonly Vec[]): Vec[] {
  const n = loop.length - 1;
  let start = 0;
  let sharpest = Infinity;
  for (let i = 0; i < n; i++) {
    const angle = angleAt(loop[(i + n - FEEL) % n], loop[i], loop[(i + FEEL) % n]);
    if (angle < sharpest) {
      sharpest = angle;
      start = i;
    }
  }
  return Array.from({ length: n + 1 }, (_, i) => loop[(start + i) % n]);
}

/** Whether a side is so short that it is a corner rounded off. */
function hasStump(corners: readonly Vec[]): boolean {
  const sides = corners.map((p, k) => distance(p, corners[(k + 1) % corners.length]));
  return Math.min(...sides) < (SHORTEST_SIDE * sides.reduce((a, b) => a + b, 0)) / sides.length;
}

/** Whether two sides that are not neighbours meet. */
function crossesItself(corners: readonly Vec[]): boolean {
  const n = corners.length;
  const side = (k: number): [Vec, Vec] => [corners[k], corners[(k + 1) % n]];
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++)
      if ((j + 1) % n !== i && segmentDistance(...side(i), ...side(j)) === 0) return true;
  return false;
}

/** What `count` corners of ink of this span cost, in freedoms; null when they are none. */
function doubtOf(
  cornered: Cornered,
  count: number,
  span: number,
  isJoined: boolean,
): number | null {
  if (cornered === 'sharp') return 0;
  if (cornered === 'hardly') return count === 4 && !isJoined ? HARDLY : null;
  if (count <= 4) return BLUNT;
  return span > LEAST_BLUNT ? MANY_BLUNT : null;
}

/** The likeliest polygon of each number of corners. */
function polygons(loop: readonly Vec[], isJoined: boolean): Candidate[][] {
  const families: Candidate[][] = [];
  const span = spanOf(loop);
  for (const { cuts } of straightPieces(loop, MOST_CORNERS).slice(2)) {
    const corners = closedCorners(loop, cuts);
    const turns = closedTurns(corners);
    const n = loop.length - 1;
    const at = (i: number): Vec => loop[(i + n) % n];
    if (turns.some((turn) => turn < LEAST_TURN)) continue;
    const pieces = cuts.slice(1).map((cut, k) => cut - cuts[k]);
    const found = cuts.slice(0, -1).map((cut, k) => ({
      cut,
      shorter: Math.min(pieces[k], pieces[(k + pieces.length - 1) % pieces.length]),
    }));
    const doubt = doubtOf(cornersOf(at, found, turns), corners.length, span, isJoined);
    if (doubt === null || hasStump(corners)) continue;
    const star = starOf(corners);
    if (!star && crossesItself(corners)) continue;
    const members: { figure: Figure; freedoms: number }[] = star
      ? [
          { figure: star, freedoms: 6 },
          { figure: { kind: 'polygon', corners }, freedoms: 2 * corners.length },
        ]
      : corners.length === 3
        ? [
            {
              figure: { kind: 'triangle', corners: [corners[0], corners[1], corners[2]] },
              freedoms: 6,
            },
          ]
        : corners.length === 4
          ? quadrilaterals(corners)
          : [{ figure: { kind: 'polygon', corners }, freedoms: 2 * corners.length }];
    families.push(
      members.map(({ figure, freedoms }) => candidateFor(figure, loop, freedoms + doubt)),
    );
  }
  return families;
}
