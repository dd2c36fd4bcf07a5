import { degrees, distance, type Vec } from '../geometry/index.ts';
import type { Figure } from './figure.ts';

/** Two strokes of a cross meet in this middle part of both, at an angle of at least this, and are about as long. */
const MIDDLE = [0.22, 0.78] as const;
const CROSSING = degrees(38);
const EVEN_STROKES = 0.42;
/** The cross that two lines make; null when they do not cross near their middles. */
export function crossOf(
  a: { readonly from: Vec; readonly to: Vec },
  b: { readonly from: Vec; readonly to: Vec },
): Figure | null {
  const [long, other] = [distance(a.from, a.to), distance(b.from, b.to)];
  if (Math.min(long, other) / Math.max(long, other) < EVEN_STROKES) return null;
  const d = { x: a.to.x - a.from.x, y: a.to.y - a.from.y };
  const e = { x: b.to.x - b.from.x, y: b.to.y - b.from.y };
  const across = d.x * e.y - d.y * e.x;
  if (Math.abs(across) < Math.sin(CROSSING) * long * other) return null;
  const f = { x: b.from.x - a.from.x, y: b.from.y - a.from.y };
  const u = (f.x * e.y - f.y * e.x) / across;
  const v = (f.x * d.y - f.y * d.x) / across;
  if ([u, v].some((w) => w < MIDDLE[0] || w > MIDDLE[1])) return null;
  return { kind: 'cross', first: [a.from, a.to], second: [b.from, b.to] };
}
