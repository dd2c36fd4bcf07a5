import { distance, lerp, type Vec } from '../geometry/index.ts';
import type { Quad } from './homography.ts';
import { type Pixels, smaller, type SmallPicture, softened } from './pixels.ts';

/** Pixels of the longer side in which sides are measured. */
const MEASURED = 1400;
/** Places along a side; corners are left out, where sheets curl and shadows lie. */
const PLACES = 90;
const [FIRST, LAST] = [0.06, 0.94];
/** How far to its sides an edge is looked for, as a share of the picture's longer side; and again, once it is known better. */
const REACHES = [0.014, 0.005];
/** Edges farther off a line than this count little, pixels; how often it is laid anew. */
const TRUSTED = 1;
const ROUNDS = 8;

/** Corners laid exactly where the sides of a sheet meet: along each the steepest place is measured and a line laid through them. */
export function refined(picture: Pixels, quad: Quad): Quad {
  const small = smaller(picture, MEASURED);
  const channels = small.channels.map((one) => softened(one, small.width, small.height, 1));
  const toSmall = ({ x, y }: Vec): Vec => ({ x: x * small.scale - 0.5, y: y * small.scale - 0.5 });
  let corners = quad.map(toSmall);
  for (const reach of REACHES) {
    const lines = corners.map((from, k) =>
      lineAlong(channels, small, from, corners[(k + 1) % 4], reach),
    );
    corners = corners.map((corner, k) => meeting(lines[(k + 3) % 4], lines[k]) ?? corner);
  }
  return corners.map(({ x, y }) => ({
    x: (x + 0.5) / small.scale,
    y: (y + 0.5) / small.scale,
  })) as unknown as Quad;
}

/** A point of a line and its direction. */
interface Line {
  readonly at: Vec;
  readonly along: Vec;
}

function lineAlong(
  channels: readonly Float32Array[],
  { width, height }: SmallPicture,
  from: Vec,
  to: Vec,
  share: number,
): Line {
  const long = distance(from, to);
  const along = { x: (to.x - from.x) / long, y: (to.y - from.y) / long };
  // Clockwise as it is seen the sheet lies to the right.
  const inward = { x: -along.y, y: along.x };
  const reach = Math.max(3, Math.round(share * Math.max(width, height)));
  const found: { readonly p: Vec; readonly weight: number }[] = [];
  for (let k = 0; k < PLACES; k++) {
    const on = lerp(from, to, FIRST + ((LAST - FIRST) * (k + 0.5)) / PLACES);
    const slopes = Array.from({ length: 2 * reach + 1 }, (_, i) => {
      const d = i - reach;
      return Math.max(
        ...channels.map(
          (channel) =>
            between(channel, width, height, on.x + (d + 1) * inward.x, on.y + (d + 1) * inward.y) -
            between(channel, width, height, on.x + (d - 1) * inward.x, on.y + (d - 1) * inward.y),
        ),
      );
    });
    const at = slopes.reduce((best, slope, i) => (slope > slopes[best] ? i : best), 0);
    if (at === 0 || at === slopes.length - 1 || slopes[at] < 4) continue;
    // Between pixels the crest of a parabola through three.
    const [l, m, r] = [slopes[at - 1], slopes[at], slopes[at + 1]];
    const d = at - reach + (l - r) / (2 * (l - 2 * m + r) || 1);
    found.push({
      p: { x: on.x + d * inward.x, y: on.y + d * inward.y },
      weight: Math.min(30, slopes[at]),
    });
  }
  return fitted(found, { at: lerp(from, to, 0.5), along });
}

/** The line of least squares through points of which some lie elsewhere: those far off count less from round to round (Cauchy weights). */
function fitted(found: readonly { readonly p: Vec; readonly weight: number }[], first: Line): Line {
  if (found.length < PLACES / 6) return first;
  let line = first;
  for (let round = 0; round < ROUNDS; round++) {
    const normal = { x: -line.along.y, y: line.along.x };
    const trusted = TRUSTED * Math.max(1, 2 ** (3 - round));
    let [sum, x, y] = [0, 0, 0];
    const weights = found.map(({ p, weight }) => {
      const off = (p.x - line.at.x) * normal.x + (p.y - line.at.y) * normal.y;
      return weight / (1 + (off / trusted) ** 2);
    });
    found.forEach(({ p }, k) => {
      sum += weights[k];
      x += weights[k] * p.x;
      y += weights[k] * p.y;
    });
    const at = { x: x / sum, y: y / sum };
    let [xx, xy, yy] = [0, 0, 0];
    found.forEach(({ p }, k) => {
      const [dx, dy] = [p.x - at.x, p.y - at.y];
      xx += weights[k] * dx * dx;
      xy += weights[k] * dx * dy;
      yy += weights[k] * dy * dy;
    });
    const angle = Math.atan2(2 * xy, xx - yy) / 2;
    const along = { x: Math.cos(angle), y: Math.sin(angle) };
    const isForward = along.x * line.along.x + along.y * line.along.y >= 0;
    line = { at, along: isForward ? along : { x: -along.x, y: -along.y } };
  }
  return line;
}

function meeting(a: Line, b: Line): Vec | null {
  const det = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(det) < 0.1) return null;
  const t = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / det;
  return { x: a.at.x + t * a.along.x, y: a.at.y + t * a.along.y };
}

/** Between four pixels; beyond the edge stands what stands at it. */
function between(
  values: Float32Array,
  width: number,
  height: number,
  x: number,
  y: number,
): number {
  const [u, v] = [
    Math.min(width - 1.001, Math.max(0, x)),
    Math.min(height - 1.001, Math.max(0, y)),
  ];
  const [i, j] = [Math.floor(u), Math.floor(v)];
  const [s, t] = [u - i, v - j];
  const k = j * width + i;
  return (
    (values[k] * (1 - s) + values[k + 1] * s) * (1 - t) +
    (values[k + width] * (1 - s) + values[k + width + 1] * s) * t
  );
}
