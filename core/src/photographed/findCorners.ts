import { distance, type Vec } from '../geometry/index.ts';
import { edgesOf } from './edges.ts';
import type { Quad } from './homography.ts';
import { type Pixels, smaller } from './pixels.ts';
import { refined } from './refined.ts';
import { meanBetween, type SideLine, sideLines, type SideMeasure, Sides } from './sideLines.ts';

/** Pixels of the longer side in which sides are looked for. */
const SEARCHED = 420;
/** Sides of one direction that are tried. */
const TRIED = 12;
/** How far the normals of sides may turn from those of an upright sheet, radians; sheets that lie askew are tried askew. */
const TURN = (40 * Math.PI) / 180;
const ASKEW = [0, Math.PI / 8, Math.PI / 4, (3 * Math.PI) / 8];
/** A sheet is so much of the picture at least, its angles so sharp at most, and its sides so unlike. */
const LEAST_AREA = 0.08;
const SHARPEST = Math.cos((42 * Math.PI) / 180);
const UNLIKE = 3;
/** Nor is it longer than so many times its width. */
const LONGEST = 3;
/** So far corners may lie outside the picture, as a share of it. */
const BEYOND = 0.06;
/** Of two that look alike the larger is the sheet, and what is in it is printed on it. */
const FOR_SIZE = 0.2;
/** What looks less like a sheet is none. */
const SURE = 0.5;

/**
 * The corners of the sheet of paper that a photograph shows, in its pixels: brighter than what it lies on, with four sides that are about straight. From the one
 * that is nearest to the upper left, clockwise. Null where none is to be seen.
 */
export function findCorners(picture: Pixels): Quad | null {
  const small = smaller(picture, SEARCHED);
  const edges = edgesOf(small);
  const sides = new Sides(edges, small);
  const measured = sideLines(edges).map((line) => sides.measure(line));
  measured.sort((a, b) => b.worth - a.worth);
  let best: { readonly score: number; readonly quad: Quad } | null = null;
  for (const askew of ASKEW) {
    const groups = [0, 1, 2, 3].map((k) =>
      measured
        .filter(({ line }) => turnBetween(line.angle, askew + (k * Math.PI) / 2) <= TURN)
        .slice(0, TRIED),
    );
    for (const left of groups[0])
      for (const top of groups[1]) {
        const a = crossing(left.line, top.line);
        if (!a || !isNear(a, small)) continue;
        for (const right of groups[2]) {
          const b = crossing(top.line, right.line);
          if (!b || !isNear(b, small)) continue;
          for (const bottom of groups[3]) {
            const c = crossing(right.line, bottom.line);
            const d = crossing(bottom.line, left.line);
            if (!c || !d || !isNear(c, small) || !isNear(d, small)) continue;
            const quad: Quad = [a, b, c, d];
            const score = scoreOf(quad, [top, right, bottom, left], small);
            if (score !== null && score > (best?.score ?? SURE)) best = { score, quad };
          }
        }
      }
  }
  if (!best) return null;
  const scale = 1 / small.scale;
  const found = best.quad.map(({ x, y }) => ({
    x: (x + 0.5) * scale,
    y: (y + 0.5) * scale,
  })) as unknown as Quad;
  return fromUpperLeft(refined(picture, found));
}

/** How far one direction is turned from another, radians, 0–π. */
const turnBetween = (a: number, b: number): number =>
  Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));

function crossing(a: SideLine, b: SideLine): Vec | null {
  const det = Math.sin(b.angle - a.angle);
  if (Math.abs(det) < 0.2) return null;
  return {
    x: (a.off * Math.sin(b.angle) - b.off * Math.sin(a.angle)) / det,
    y: (b.off * Math.cos(a.angle) - a.off * Math.cos(b.angle)) / det,
  };
}

const isNear = ({ x, y }: Vec, { width, height }: { width: number; height: number }): boolean =>
  x >= -BEYOND * width &&
  y >= -BEYOND * height &&
  x <= (1 + BEYOND) * width &&
  y <= (1 + BEYOND) * height;

/** How much a quad looks like a sheet; null where it cannot be one. */
function scoreOf(
  quad: Quad,
  sides: readonly SideMeasure[],
  { width, height }: { width: number; height: number },
): number | null {
  const area = areaOf(quad) / (width * height);
  if (area < LEAST_AREA) return null;
  const lengths = quad.map((p, k) => distance(p, quad[(k + 1) % 4]));
  for (let k = 0; k < 2; k++) {
    const ratio = lengths[k] / lengths[k + 2];
    if (ratio > UNLIKE || ratio < 1 / UNLIKE) return null;
  }
  const [across, down] = [lengths[0] + lengths[2], lengths[1] + lengths[3]];
  if (Math.max(across, down) > LONGEST * Math.min(across, down)) return null;
  for (let k = 0; k < 4; k++) {
    const [p, q, r] = [quad[(k + 3) % 4], quad[k], quad[(k + 1) % 4]];
    const cos =
      ((p.x - q.x) * (r.x - q.x) + (p.y - q.y) * (r.y - q.y)) / (lengths[(k + 3) % 4] * lengths[k]);
    if (Math.abs(cos) > SHARPEST) return null;
  }
  const means = sides.map((side, k) => meanBetween(side, quad[k], quad[(k + 1) % 4]));
  const all = lengths.reduce((sum, length) => sum + length, 0);
  const mean = means.reduce((sum, value, k) => sum + value * lengths[k], 0) / all;
  return 0.6 * mean + 0.4 * Math.min(...means) + FOR_SIZE * Math.sqrt(Math.min(1, area));
}

/** Of a quad whose corners go round clockwise as it is seen; negative the other way round. */
const areaOf = (quad: Quad): number =>
  quad.reduce((sum, a, k) => {
    const b = quad[(k + 1) % 4];
    return sum + (a.x * b.y - b.x * a.y) / 2;
  }, 0);

function fromUpperLeft(quad: Quad): Quad {
  const first = quad.reduce(
    (best, { x, y }, k) => (x + y < quad[best].x + quad[best].y ? k : best),
    0,
  );
  return [0, 1, 2, 3].map((k) => quad[(first + k) % 4]) as unknown as Quad;
}
