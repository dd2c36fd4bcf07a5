import {
  add,
  angleAt,
  cross,
  distance,
  rotate,
  scale,
  subtract,
  type Vec,
  vec,
  degrees,
} from '../geometry/index.ts';
import type { Figure } from './figure.ts';

/** Corners of a rectangle differ from a right angle by at most this. */
const SQUARENESS = degrees(15);
/** Opposite sides of a parallelogram differ in direction by at most this. */
const PARALLEL = degrees(14);
/** Sides nearer to equal than this are equal. */
const EQUAL_SIDES = 0.84;
/** The sides of a rhombus vary more, being drawn aslant. */
const RHOMBUS_SIDES = 0.78;

/** What four corners in turn may be, the most regular first, the four corners as they are last; with its freedoms. */
export function quadrilaterals(corners: readonly Vec[]): { figure: Figure; freedoms: number }[] {
  const [a, b, c, d] = corners;
  const sides = corners.map((p, k) => subtract(corners[(k + 1) % 4], p));
  const lengths = sides.map((s) => Math.hypot(s.x, s.y));
  const found: { figure: Figure; freedoms: number }[] = [];
  const isRight = corners.every(
    (p, k) =>
      Math.abs(angleAt(corners[(k + 3) % 4], p, corners[(k + 1) % 4]) - Math.PI / 2) < SQUARENESS,
  );
  const apart = (s: Vec, t: Vec): number => {
    const turn = Math.abs(Math.atan2(cross(s, t), s.x * t.x + s.y * t.y));
    return Math.min(turn, Math.PI - turn);
  };
  const isParallel = apart(sides[0], sides[2]) < PARALLEL && apart(sides[1], sides[3]) < PARALLEL;
  if (isRight) {
    const box = turnedBox(corners);
    const { centre, width, height, angle } = box;
    if (Math.min(width, height) / Math.max(width, height) > EQUAL_SIDES)
      found.push({
        figure: { kind: 'square', centre, side: (width + height) / 2, angle },
        freedoms: 4,
      });
    found.push({ figure: { kind: 'rectangle', ...box }, freedoms: 5 });
  }
  if (isParallel && Math.min(...lengths) / Math.max(...lengths) > RHOMBUS_SIDES) {
    const across = subtract(a, c);
    const up = subtract(b, d);
    // The mean direction of one diagonal and of the other turned back by a right angle.
    const turned = rotate(up, cross(across, up) > 0 ? -Math.PI / 2 : Math.PI / 2);
    const axis = add(
      scale(across, 1 / Math.hypot(across.x, across.y)),
      scale(turned, 1 / Math.hypot(up.x, up.y)),
    );
    found.push({
      figure: {
        kind: 'diamond',
        centre: scale(add(add(a, b), add(c, d)), 1 / 4),
        width: distance(a, c),
        height: distance(b, d),
        angle: Math.atan2(axis.y, axis.x),
      },
      freedoms: 5,
    });
  }
  if (isParallel) {
    const centre = scale(add(add(a, b), add(c, d)), 1 / 4);
    const u = scale(subtract(a, c), 1 / 2);
    const v = scale(subtract(b, d), 1 / 2);
    found.push({
      figure: {
        kind: 'parallelogram',
        corners: [add(centre, u), add(centre, v), subtract(centre, u), subtract(centre, v)],
      },
      freedoms: 6,
    });
  }
  found.push({ figure: { kind: 'polygon', corners }, freedoms: 8 });
  return found;
}

/** The rectangle that four nearly right corners make: the mean direction of its sides, and their mean places. */
function turnedBox(corners: readonly Vec[]): {
  centre: Vec;
  width: number;
  height: number;
  angle: number;
} {
  let sin = 0;
  let cos = 0;
  corners.forEach((p, k) => {
    const q = corners[(k + 1) % 4];
    // Each side turned back by its number of right angles.
    const four = 4 * Math.atan2(q.y - p.y, q.x - p.x);
    sin += distance(p, q) * Math.sin(four);
    cos += distance(p, q) * Math.cos(four);
  });
  const angle = Math.atan2(sin, cos) / 4;
  const flat = corners.map((p) => rotate(p, -angle));
  const xs = flat.map((p) => p.x).sort((p, q) => p - q);
  const ys = flat.map((p) => p.y).sort((p, q) => p - q);
  const middle = vec((xs[0] + xs[1] + xs[2] + xs[3]) / 4, (ys[0] + ys[1] + ys[2] + ys[3]) / 4);
  return {
    centre: rotate(middle, angle),
    width: (xs[2] + xs[3] - xs[0] - xs[1]) / 2,
    height: (ys[2] + ys[3] - ys[0] - ys[1]) / 2,
    angle,
  };
}
