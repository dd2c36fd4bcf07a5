import type { Vec } from '../../geometry/index.ts';
import { pdfNumber as n } from '../sink/operators.ts';

/** What stands at an end of a line, drawn in the line's own colour. */
export interface LineEnding {
  /** Path operators, to be stroked, and filled where `closed`. */
  readonly path: string;
  readonly closed: boolean;
  /** The line itself ends so far before its point, so that it does not stand out of the tip. */
  readonly shortens: number;
}

/** Sizes in widths of the line; a thinner line than this counts as so wide, points. Common practice, no source. */
const THINNEST = 1;
const HALF = 2.5;
const ARROW_LENGTH = 8.5;
const ARROW_HALF = 2.8;
/** From the line's direction (ISO 32000-1, table 176: about 30° clockwise from perpendicular). */
const SLASH = (60 * Math.PI) / 180;
/** Control points of a quarter circle: 4(√2 − 1)/3. */
const KAPPA = 0.5522847498;

const point = (p: Vec): string => `${n(p.x)} ${n(p.y)}`;
const polyline = (points: readonly Vec[]): string =>
  points.map((p, i) => `${point(p)} ${i === 0 ? 'm' : 'l'}`).join(' ');

/**
 * The ending `name` (ISO 32000-1, table 176) at `end` of a line that comes from `before`, `width` points wide; null
 * for none, and for names nobody knows.
 */
export function lineEnding(name: string, end: Vec, before: Vec, width: number): LineEnding | null {
  const length = Math.hypot(end.x - before.x, end.y - before.y);
  if (length === 0) return null;
  const u = { x: (end.x - before.x) / length, y: (end.y - before.y) / length };
  const w = Math.max(THINNEST, width);
  /** So far along the line beyond its end, so far to its left. */
  const at = (along: number, left: number): Vec => ({
    x: end.x + w * (along * u.x - left * u.y),
    y: end.y + w * (along * u.y + left * u.x),
  });
  const closed = (points: readonly Vec[], shortens = 0): LineEnding => ({
    path: `${polyline(points)} h`,
    closed: true,
    shortens: shortens * w,
  });
  const open = (points: readonly Vec[]): LineEnding => ({
    path: polyline(points),
    closed: false,
    shortens: 0,
  });
  switch (name) {
    case 'Square':
      return closed([at(-HALF, -HALF), at(HALF, -HALF), at(HALF, HALF), at(-HALF, HALF)]);
    case 'Diamond':
      return closed([at(-HALF, 0), at(0, -HALF), at(HALF, 0), at(0, HALF)]);
    case 'Circle':
      return { path: circle(at), closed: true, shortens: 0 };
    case 'Butt':
      return open([at(0, -HALF), at(0, HALF)]);
    case 'Slash': {
      const [x, y] = [HALF * Math.cos(SLASH), HALF * Math.sin(SLASH)];
      return open([at(-x, -y), at(x, y)]);
    }
    case 'OpenArrow':
      return open([at(-ARROW_LENGTH, ARROW_HALF), at(0, 0), at(-ARROW_LENGTH, -ARROW_HALF)]);
    case 'ClosedArrow':
      return closed(
        [at(-ARROW_LENGTH, ARROW_HALF), at(0, 0), at(-ARROW_LENGTH, -ARROW_HALF)],
        Math.min(ARROW_LENGTH, length / w),
      );
    case 'ROpenArrow':
      return open([at(ARROW_LENGTH, ARROW_HALF), at(0, 0), at(ARROW_LENGTH, -ARROW_HALF)]);
    case 'RClosedArrow':
      return closed([at(ARROW_LENGTH, ARROW_HALF), at(0, 0), at(ARROW_LENGTH, -ARROW_HALF)]);
    default:
      return null;
  }
}

function circle(at: (along: number, left: number) => Vec): string {
  const k = HALF * KAPPA;
  const curve = (...p: Vec[]): string => `${p.map(point).join(' ')} c`;
  return [
    `${point(at(HALF, 0))} m`,
    curve(at(HALF, k), at(k, HALF), at(0, HALF)),
    curve(at(-k, HALF), at(-HALF, k), at(-HALF, 0)),
    curve(at(-HALF, -k), at(-k, -HALF), at(0, -HALF)),
    curve(at(k, -HALF), at(HALF, -k), at(HALF, 0)),
    'h',
  ].join(' ');
}
