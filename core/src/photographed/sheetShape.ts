import { cross, distance, subtract, type Vec } from '../geometry/index.ts';
import type { Quad } from './homography.ts';

/** Width to height of papers that are usual, upright: ISO 216, and 8½ × 11 inches. */
const USUAL = [1 / Math.SQRT2, 8.5 / 11];
/** What is as near to one of them is one. */
const NEAR = 0.05;

/**
 * Width to height of the sheet whose corners a photograph shows, worked out of the perspective by a camera that looks straight ahead (Zhang & He, Whiteboard
 * scanning and image enhancement, Digital Signal Processing 17, 2007, §3.2; from memory); of the lengths of its sides where there is hardly any
 * perspective. A shape near to a usual one is taken for that.
 * @param middle of the photograph, where its camera looks
 */
export function sheetShape([a, b, c, d]: Quad, middle: Vec): number {
  const shape = byPerspective([a, b, d, c], middle) ?? bySides([a, b, c, d]);
  const usual = [...USUAL, ...USUAL.map((one) => 1 / one)];
  return usual.find((one) => Math.abs(shape / one - 1) < NEAR) ?? shape;
}

const bySides = ([a, b, c, d]: Quad): number =>
  (distance(a, b) + distance(c, d)) / (distance(a, d) + distance(b, c));

/** Lines that run as nearly side by side as this tell nothing of the camera. */
const LEAST = 0.03;

/** The corners as in the paper: upper left, upper right, lower left, lower right. */
function byPerspective(corners: readonly Vec[], middle: Vec): number | null {
  const [m1, m2, m3, m4] = corners.map((p) => subtract(p, middle));
  const k2 = ratio(m1, m4, m3, m2, m4, m3);
  const k3 = ratio(m1, m4, m2, m3, m4, m2);
  if (Math.abs(k2 - 1) < LEAST || Math.abs(k3 - 1) < LEAST) return null;
  const n2 = { x: k2 * m2.x - m1.x, y: k2 * m2.y - m1.y, z: k2 - 1 };
  const n3 = { x: k3 * m3.x - m1.x, y: k3 * m3.y - m1.y, z: k3 - 1 };
  const f2 = -(n2.x * n3.x + n2.y * n3.y) / (n2.z * n3.z);
  if (!(f2 > 0)) return null;
  const across = (n2.x ** 2 + n2.y ** 2) / f2 + n2.z ** 2;
  const down = (n3.x ** 2 + n3.y ** 2) / f2 + n3.z ** 2;
  return Math.sqrt(across / down);
}

/** (p × q) · r through (s × t) · u, of points at height 1. */
function ratio(p: Vec, q: Vec, r: Vec, s: Vec, t: Vec, u: Vec): number {
  const triple = (i: Vec, j: Vec, k: Vec): number => cross(i, j) + cross(j, k) + cross(k, i);
  return triple(p, q, r) / triple(s, t, u);
}
