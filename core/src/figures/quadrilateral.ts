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

/** Corners of a rectangle differ from a right angle by at most this, each, and on the whole (rms): about a tenth. */
const SQUARENESS = degrees(16);
const SQUARE_ENOUGH = degrees(9);
/** Opposite sides of a parallelogram differ in direction by at most this. */
const PARALLEL = degrees(14);
/** Sides nearer to equal than this were meant to be: a hand is within a tenth. */
const EQUAL_SIDES = 0.9;
/** The sides of a rhombus are drawn aslant, where a hand is less even. */
const EQUAL_RHOMBUS = 0.82;
/** In doubt, from this on, the less regular figure is offered first and the more regular one second. */
const DOUBTFUL = 0.78;

/** What four corners in turn may be, the most regular first, the four corners as they are last; with its freedoms. */
export function quadrilaterals(corners: readonly Vec[]): Found[] {
  const [a, b, c, d] = corners;
  const sides = corners.map((p, k) => subtract(corners[(k + 1) % 4], p));
  const lengths = sides.map((s) => Math.hypot(s.x, s.y));
  const found: Found[] = [];
  const off = corners.map(
    (p, k) => angleAt(corners[(k + 3) % 4], p, corners[(k + 1) % 4]) - Math.PI / 2,
  );
  const mayBeRight = off.every((angle) => Math.abs(angle) < SQUARENESS);
  const isRight =
    mayBeRight && Math.sqrt(off.reduce((sum, angle) => sum + angle * angle, 0) / 4) < SQUARE_ENOUGH;
  const apart = (s: Vec, t: Vec): number => {
    const turn = Math.abs(Math.atan2(cross(s, t), s.x * t.x + s.y * t.y));
    return Math.min(turn, Math.PI - turn);
  };
  const isParallel = apart(sides[0], sides[2]) < PARALLEL && apart(sides[1], sides[3]) < PARALLEL;
  const boxes = mayBeRight ? rightAngled(corners) : [];
  if (isRight) found.push(...boxes);
  const evenness = ratio(lengths[0] + lengths[2], lengths[1] + lengths[3]);
  const rhombus = isParallel && evenness > DOUBTFUL ? [rhombusOf(corners)] : [];
  if (evenness > EQUAL_RHOMBUS) found.push(...rhombus);
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
  if (evenness <= EQUAL_RHOMBUS) found.push(...rhombus);
  if (!isRight) found.push(...boxes);
  found.push({ figure: { kind: 'polygon', corners }, freedoms: 8 });
  return found;
}

type Found = { figure: Figure; freedoms: number };

const ratio = (p: number, q: number): number => Math.min(p, q) / Math.max(p, q);

/** The rectangle that four corners make, and the square where its sides are near enough to equal; the likelier first. */
function rightAngled(corners: readonly Vec[]): Found[] {
  const box = turnedBox(corners);
  const { centre, width, height, angle } = box;
  const rectangle: Found = { figure: { kind: 'rectangle', ...box }, freedoms: 5 };
  const evenness = ratio(width, height);
  if (evenness <= DOUBTFUL) return [rectangle];
  const side = (width + height) / 2;
  const square: Found = { figure: { kind: 'square', centre, side, angle }, freedoms: 4 };
  return evenness > EQUAL_SIDES ? [square, rectangle] : [rectangle, square];
}

/** The rhombus that four corners make: its diagonals at a right angle. */
function rhombusOf([a, b, c, d]: readonly Vec[]): Found {
  const across = subtract(a, c);
  const up = subtract(b, d);
  // The mean direction of one diagonal and of the other turned back by a right angle.
  const turned = rotate(up, cross(across, up) > 0 ? -Math.PI / 2 : Math.PI / 2);
  const axis = add(
    scale(across, 1 / Math.hypot(across.x, across.y)),
    scale(turned, 1 / Math.hypot(up.x, up.y)),
  );
  return {
    figure: {
      kind: 'diamond',
      centre: scale(add(add(a, b), add(c, d)), 1 / 4),
      width: distance(a, c),
      height: distance(b, d),
      angle: Math.atan2(axis.y, axis.x),
    },
    freedoms: 5,
  };
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
