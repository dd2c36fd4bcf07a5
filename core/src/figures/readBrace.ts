import { cross, distance, dot, normalise, subtract, type Vec } from '../geometry/index.ts';
import { type Candidate, candidateFor } from './candidate.ts';

/** How far a brace's point stands out, in shares of its length. */
const DEPTH = [0.05, 0.42] as const;
/** The point lies in this middle part of the brace. */
const MIDDLE = [0.34, 0.66] as const;
/** Beside the point a brace has come back to about this share of its depth. */
const WAIST = [0.25, 0.8] as const;

/** Hardly anything else has this shape by chance, so little is asked for it; a shallow one may be a line that bows. */
const FREEDOMS = 0;
const SHALLOW = 0.1;
const SHALLOW_FREEDOMS = 7;

/** The brace that an open stroke may be: two bows that meet in a point in the middle. */
export function readBrace(points: readonly Vec[]): Candidate[] {
  const from = points[0];
  const to = points[points.length - 1];
  const long = distance(from, to);
  if (long === 0) return [];
  const along = normalise(subtract(to, from));
  const places = points.map((p) => {
    const d = subtract(p, from);
    return { u: dot(d, along) / long, v: cross(along, d) / long };
  });
  let tip = 0;
  places.forEach((p, i) => {
    if (Math.abs(p.v) > Math.abs(places[tip].v)) tip = i;
  });
  const depth = places[tip].v;
  const { u } = places[tip];
  if (Math.abs(depth) < DEPTH[0] || Math.abs(depth) > DEPTH[1]) return [];
  if (u < MIDDLE[0] || u > MIDDLE[1]) return [];
  const waist = (lower: number, upper: number): number => {
    const there = places.filter((p) => p.u > lower && p.u < upper).map((p) => p.v / depth);
    return there.reduce((a, b) => a + b, 0) / there.length;
  };
  const waists = [waist(u * 0.3, u * 0.75), waist(u + (1 - u) * 0.25, u + (1 - u) * 0.7)];
  if (waists.some((w) => !(w > WAIST[0] && w < WAIST[1]))) return [];
  const freedoms = Math.abs(depth) < SHALLOW ? SHALLOW_FREEDOMS : FREEDOMS;
  return [candidateFor({ kind: 'brace', from, to, depth: depth * long }, points, freedoms)];
}
