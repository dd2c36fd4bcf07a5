import { add, cross, distance, scale, subtract, type Vec, vec } from '../geometry/index.ts';
import type { Figure } from './figure.ts';

/** Tips and inner corners vary in their distance from the middle by at most this share. */
const UNEVEN = 0.32;
/** Inner corners lie nearer to the middle than this share of the tips. */
const MOST_INNER = 0.75;
/** Inner corners of the star of five crossing lines, in shares of its tips: (3 − √5) / 2. */
const PENTAGRAM = (3 - Math.sqrt(5)) / 2;

/** The star that corners in turn make: of five crossing lines, or drawn around its outline; null for none. */
export function starOf(corners: readonly Vec[]): Figure | null {
  const centre = scale(corners.reduce(add, vec(0, 0)), 1 / corners.length);
  const radii = corners.map((p) => distance(p, centre));
  if (corners.length === 5) {
    if (Math.abs(windings(corners, centre)) < 1.5 || !isEven(radii)) return null;
    return star(centre, corners, mean(radii), mean(radii) * PENTAGRAM, 5);
  }
  if (corners.length % 2 === 1 || corners.length < 8 || corners.length > 16) return null;
  const even = radii.filter((_, k) => k % 2 === 0);
  const odd = radii.filter((_, k) => k % 2 === 1);
  const [tips, inner] = mean(even) > mean(odd) ? [even, odd] : [odd, even];
  if (mean(inner) > MOST_INNER * mean(tips) || !isEven(tips) || !isEven(inner)) return null;
  const first = tips === even ? 0 : 1;
  const ends = corners.filter((_, k) => k % 2 === first);
  return star(centre, ends, mean(tips), mean(inner), corners.length / 2);
}

function star(
  centre: Vec,
  tips: readonly Vec[],
  outer: number,
  inner: number,
  count: number,
): Figure {
  // The mean turn of the tips, each taken as often as there are tips.
  let sin = 0;
  let cos = 0;
  for (const p of tips) {
    const a = count * Math.atan2(p.y - centre.y, p.x - centre.x);
    sin += Math.sin(a);
    cos += Math.cos(a);
  }
  return { kind: 'star', centre, outer, inner, angle: Math.atan2(sin, cos) / count, tips: count };
}

const mean = (values: readonly number[]): number =>
  values.reduce((a, b) => a + b, 0) / values.length;

const isEven = (values: readonly number[]): boolean =>
  values.every((v) => Math.abs(v / mean(values) - 1) < UNEVEN);

/** How often the corners go around the middle. */
function windings(corners: readonly Vec[], centre: Vec): number {
  let turn = 0;
  corners.forEach((p, k) => {
    const a = subtract(p, centre);
    const b = subtract(corners[(k + 1) % corners.length], centre);
    turn += Math.atan2(cross(a, b), a.x * b.x + a.y * b.y);
  });
  return turn / (2 * Math.PI);
}
