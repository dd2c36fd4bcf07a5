import { type Matrix, thenMatrix } from '../geometry/index.ts';
import { type InkPicture, inkAt, narrowed, scaled } from './inkPicture.ts';

/** Pixels across at which pages are compared first. */
export const COARSE = 56;
/** Turns that are tried, radians, and shifts, of the width. */
const DEGREE = Math.PI / 180;
const TURNS = [-4, -3, -2, -1, 0, 1, 2, 3, 4].map((degrees) => degrees * DEGREE);
export const ROUGH_TURNS = [-2.5, 0, 2.5].map((degrees) => degrees * DEGREE);
const SHIFT = 0.1;

/** The turns and shifts of a small picture on another one, the best first. */
export function layings(small: InkPicture, b: InkPicture, turns = TURNS): Laying[] {
  const other = narrowed(b, small.width);
  const reach = Math.round(SHIFT * small.width);
  const found: Laying[] = [];
  for (const angle of turns) {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const [ox, oy] = [small.width / 2, small.height / 2];
    const [px, py] = [other.width / 2, other.height / 2];
    const laid = new Float32Array(other.width * other.height);
    for (let y = 0; y < other.height; y++)
      for (let x = 0; x < other.width; x++) {
        const [dx, dy] = [x - px, y - py];
        laid[y * other.width + x] = inkAt(small, ox + c * dx + s * dy, oy - s * dx + c * dy);
      }
    for (let sy = -reach; sy <= reach; sy++)
      for (let sx = -reach; sx <= reach; sx++) {
        // From the small picture: about its middle, then moved.
        const onto: Matrix = [c, s, -s, c, px + sx - c * ox + s * oy, py + sy - s * ox - c * oy];
        found.push({ alike: correlation(laid, other, sx, sy), onto, sx, sy, angle });
      }
  }
  return found.sort((one, two) => two.alike - one.alike);
}

/** A way a small picture may lie on another one. */
export interface Laying {
  readonly alike: number;
  readonly onto: Matrix;
  readonly sx: number;
  readonly sy: number;
  readonly angle: number;
}

/** Rows of tables look alike a row farther on: of so many ways that differ, the one is taken that is best when looked at more closely. */
const WAYS = 8;
/** Pixels across at which that is looked at, and how far to either side. */
const CLOSER = 128;
const ASIDE = 2;

/** The best of them, from whole picture to whole picture. */
export function bestWay(
  a: InkPicture,
  b: InkPicture,
  all: readonly Laying[],
): { alike: number; map: Matrix } {
  const ways: Laying[] = [];
  for (const one of all) {
    if (ways.length === WAYS) break;
    const isOther = ways.every(
      ({ sx, sy, angle }) =>
        Math.hypot(sx - one.sx, sy - one.sy) >= 2 || Math.abs(angle - one.angle) > 1.5 * DEGREE,
    );
    if (isOther) ways.push(one);
  }
  const [fa, fb] = [narrowed(a, CLOSER), narrowed(b, CLOSER)];
  const [ka, kb] = [fa.width / COARSE, fb.width / COARSE];
  let best = { alike: -1, map: ways[0].onto };
  for (const { onto } of ways) {
    const map = thenMatrix(thenMatrix(scaled(1 / ka), onto), scaled(kb));
    for (let dy = -ASIDE; dy <= ASIDE; dy++)
      for (let dx = -ASIDE; dx <= ASIDE; dx++) {
        const moved: Matrix = [map[0], map[1], map[2], map[3], map[4] + dx, map[5] + dy];
        const alike = likeness(fa, fb, moved);
        if (alike <= best.alike) continue;
        const whole = thenMatrix(scaled(fa.width / a.width), moved);
        best = { alike, map: thenMatrix(whole, scaled(b.width / fb.width)) };
      }
  }
  return best;
}

/** How alike what is inked is where a map lays one picture on another. */
function likeness(a: InkPicture, b: InkPicture, map: Matrix): number {
  let [both, first, second] = [0, 0, 0];
  const [ma, mb, mc, md, me, mf] = map;
  for (let y = 0; y < a.height; y++)
    for (let x = 0; x < a.width; x++) {
      const p = a.ink[y * a.width + x];
      const bx = Math.round(ma * x + mc * y + me);
      const by = Math.round(mb * x + md * y + mf);
      const isOn = bx >= 0 && by >= 0 && bx < b.width && by < b.height;
      const q = isOn ? b.ink[by * b.width + bx] : 0;
      both += p * q;
      first += p * p;
      second += q * q;
    }
  return both / (Math.sqrt(first * second) || 1);
}

/** Of what is inked (normalised cross-correlation without the mean: white paper is no likeness). */
function correlation(
  laid: Float32Array,
  { width, height, ink }: InkPicture,
  sx: number,
  sy: number,
): number {
  let [both, first, second] = [0, 0, 0];
  for (let y = 0; y < height; y++) {
    const from = y - sy;
    if (from < 0 || from >= height) continue;
    for (let x = 0; x < width; x++) {
      const there = x - sx;
      if (there < 0 || there >= width) continue;
      const [p, q] = [laid[from * width + there], ink[y * width + x]];
      both += p * q;
      first += p * p;
      second += q * q;
    }
  }
  return both / (Math.sqrt(first * second) || 1);
}
