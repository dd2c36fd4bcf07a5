/** A point or a displacement in the plane; points (1/72 inch), y up, unless said otherwise. */
export interface Vec {
  readonly x: number;
  readonly y: number;
}

export const vec = (x: number, y: number): Vec => ({ x, y });
export const add = (a: Vec, b: Vec): Vec => ({ x: a.x + b.x, y: a.y + b.y });
export const subtract = (a: Vec, b: Vec): Vec => ({ x: a.x - b.x, y: a.y - b.y });
export const scale = (a: Vec, k: number): Vec => ({ x: a.x * k, y: a.y * k });
export const dot = (a: Vec, b: Vec): number => a.x * b.x + a.y * b.y;
/** The z component of the cross product: positive when `b` lies anticlockwise of `a` (y up). */
export const cross = (a: Vec, b: Vec): number => a.x * b.y - a.y * b.x;
// Math.hypot guards against overflow, which cannot happen on a page, and is far slower.
export const length = (a: Vec): number => Math.sqrt(a.x * a.x + a.y * a.y);
export const distance = (a: Vec, b: Vec): number => {
  const dx = a.x - b.x;
  const dy = a.y - b.y;
  return Math.sqrt(dx * dx + dy * dy);
};
/** `t` = 0 gives `a`, 1 gives `b`; not clamped. */
export const lerp = (a: Vec, b: Vec, t: number): Vec => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});
/** Turns `a` anticlockwise (y up) about the origin; `angle` in radians. */
export const rotate = (a: Vec, angle: number): Vec => {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  return { x: a.x * c - a.y * s, y: a.x * s + a.y * c };
};
/** The unit vector along `a`; the zero vector stays zero. */
export const normalise = (a: Vec): Vec => {
  const l = length(a);
  return l === 0 ? a : { x: a.x / l, y: a.y / l };
};
/** The angle at `b` between the rays to `a` and to `c`, 0–π. */
export const angleAt = (a: Vec, b: Vec, c: Vec): number => {
  const u = subtract(a, b);
  const v = subtract(c, b);
  return Math.atan2(Math.abs(cross(u, v)), dot(u, v));
};
