import {
  convexHull,
  resamplePolyline,
  rotate,
  subtract,
  type Vec,
  vec,
} from '../geometry/index.ts';

/** Points that are looked at. */
const POINTS = 120;
/** A smaller scribble strikes nothing out, points. */
const SMALLEST = 12;
/** Going to and fro along the longer side at least so often, each way over this share of it. */
const LONG_TURNS = 5;
const LONG_SHARE = 0.5;
/** Or across, more often, with strokes that lie close beside each other. */
const SHORT_TURNS = 8;
const SHORT_SHARE = 0.55;
const CLOSE = 0.45;

/**
 * The area that a stroke scribbles over, as a convex polygon; null when it does not go to and fro as one does to strike
 * something out.
 */
export function readScratch(samples: readonly Vec[]): Vec[] | null {
  if (samples.length < 12) return null;
  const points = resamplePolyline(samples, POINTS);
  const axis = mainAxis(points);
  const turned = points.map((p) => rotate(p, -axis));
  const [along, across] = [turned.map((p) => p.x), turned.map((p) => p.y)];
  const [long, short] = [extentOf(along), extentOf(across)];
  if (Math.max(long, short) < SMALLEST) return null;
  const isLong = turnsOf(along, LONG_SHARE * long) >= LONG_TURNS;
  const turns = turnsOf(across, SHORT_SHARE * short);
  const isShort = turns >= SHORT_TURNS && short > SMALLEST / 2 && long / turns < CLOSE * short;
  return isLong || isShort ? convexHull(points) : null;
}

/** The direction in which points are spread most, radians. */
function mainAxis(points: readonly Vec[]): number {
  const mean = points.reduce(
    (m, p) => vec(m.x + p.x / points.length, m.y + p.y / points.length),
    vec(0, 0),
  );
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    const d = subtract(p, mean);
    xx += d.x * d.x;
    xy += d.x * d.y;
    yy += d.y * d.y;
  }
  return 0.5 * Math.atan2(2 * xy, xx - yy);
}

const extentOf = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/** How often a number turns back after having gone at least `least` one way. */
function turnsOf(values: readonly number[], least: number): number {
  let turns = 0;
  let way = 0;
  let extreme = values[0];
  for (const v of values) {
    if (way === 0) {
      if (Math.abs(v - extreme) >= least) way = Math.sign(v - extreme);
      else continue;
      extreme = v;
    } else if ((v - extreme) * way > 0) extreme = v;
    else if ((extreme - v) * way >= least) {
      turns++;
      way = -way;
      extreme = v;
    }
  }
  return turns;
}
