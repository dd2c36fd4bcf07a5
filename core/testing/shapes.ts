import {
  type Box,
  distance,
  nearestOnSegment,
  type Path,
  type Vec,
  VERB,
  VERB_COORDS,
} from '../src/geometry/index.ts';

/** What checks ask of shapes and the product does not. */

export const boxHas = (b: Box, p: Vec): boolean =>
  p.x >= b.minX && p.x <= b.maxX && p.y >= b.minY && p.y <= b.maxY;

/** The least distance from `p` to a polyline; Infinity when it has no point. */
export function distanceToPolyline(p: Vec, points: readonly Vec[]): number {
  if (points.length === 1) return distance(p, points[0]);
  let best = Infinity;
  for (let i = 1; i < points.length; i++) {
    const d = nearestOnSegment(p, points[i - 1], points[i]).distance;
    if (d < best) best = d;
  }
  return best;
}

/** Each ring of a path made of M, L and Z alone, as points x, y in turn. Curves are refused. */
export function pathRings(path: Path): number[][] {
  const rings: number[][] = [];
  let i = 0;
  for (const verb of path.verbs) {
    if (verb === VERB.C) throw new RangeError('This path holds curves; flatten it first.');
    if (verb === VERB.M) rings.push([]);
    if (verb !== VERB.Z) rings[rings.length - 1].push(path.coords[i], path.coords[i + 1]);
    i += VERB_COORDS[verb];
  }
  return rings;
}
