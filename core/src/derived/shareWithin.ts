import { distance, inPolygon, lerp, type Vec } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { centrelinesOf } from './lines.ts';

/** Longer pieces of a line are looked at in more places, points. */
const PIECE = 8;

/** Which share of a mark's lines, by length, lies within a polygon: 0–1. */
export function shareWithin(mark: Mark, polygon: readonly Vec[]): number {
  let [within, all] = [0, 0];
  for (const line of centrelinesOf(mark)) {
    if (line.length === 1) {
      // A dot has no length, and counts as a short piece.
      all += 1;
      if (inPolygon(polygon, line[0])) within += 1;
    }
    for (let i = 1; i < line.length; i++) {
      const [from, to] = [line[i - 1], line[i]];
      const long = distance(from, to);
      const pieces = Math.ceil(long / PIECE);
      all += long;
      for (let k = 0; k < pieces; k++)
        if (inPolygon(polygon, lerp(from, to, (k + 0.5) / pieces))) within += long / pieces;
    }
  }
  return all === 0 ? 0 : within / all;
}
