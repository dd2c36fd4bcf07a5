import { fitCircle, fitCurve, fitEllipse } from '@marginalis/core/figures';
import type { Vec } from '@marginalis/core/geometry';
import { ellipsePath, writeAlong } from '../core/testing/hand';
import { seededRandom } from '../core/testing/seededRandom';

/** Coefficients of A x² + B xy + C y² + D x + E y + F = 0. */
type Conic = readonly [number, number, number, number, number, number];

const algebraic = (points: readonly Vec[], [a, b, c, d, e, f]: Conic): number =>
  points.reduce(
    (sum, { x, y }) => sum + (a * x * x + b * x * y + c * y * y + d * x + e * y + f) ** 2,
    0,
  );

/** A hand's loops and arcs about the origin, about two units large. */
const strokes = Array.from({ length: 12 }, (_, k) => {
  const turns = 0.3 + 0.09 * k;
  const path = ellipsePath({ x: 0, y: 0 }, 60, 24 + 3 * k, 0.4 * k, turns);
  return writeAlong(path, { seed: k + 1, noise: 0.6 }).map(({ x, y }) => ({
    x: x / 40,
    y: y / 40,
  }));
});

/** No neighbour of `best`, near or far, is better by `cost`. */
function expectBest(
  best: readonly number[],
  cost: (candidate: readonly number[]) => number,
  seed: number,
): void {
  const random = seededRandom(seed);
  const least = cost(best);
  for (const reach of [0.3, 0.03, 0.003])
    for (let i = 0; i < 400; i++) {
      const other = best.map((v) => v + reach * (2 * random() - 1));
      expect(cost(other)).toBeGreaterThanOrEqual(least * (1 - 1e-7));
    }
}

test('no ellipse has a lesser algebraic distance under 4AC − B² = 1 (Fitzgibbon, Pilu & Fisher, PAMI 1999; from memory)', () => {
  for (const points of strokes) {
    const fit = fitEllipse(points);
    if (!fit) throw new Error('An ellipse fits.');
    const { centre, rx, ry, angle } = fit;
    const [u, v] = [Math.cos(angle), Math.sin(angle)];
    const a = (u / rx) ** 2 + (v / ry) ** 2;
    const b = 2 * u * v * (1 / rx ** 2 - 1 / ry ** 2);
    const c = (v / rx) ** 2 + (u / ry) ** 2;
    const d = -2 * a * centre.x - b * centre.y;
    const e = -b * centre.x - 2 * c * centre.y;
    const f = a * centre.x ** 2 + b * centre.x * centre.y + c * centre.y ** 2 - 1;
    const cost = (k: readonly number[]): number => {
      const constraint = 4 * k[0] * k[2] - k[1] * k[1];
      return constraint <= 0 ? Infinity : algebraic(points, k as unknown as Conic) / constraint;
    };
    expectBest([a, b, c, d, e, f], cost, 1);
  }
});

test('no circle has a lesser distance in Taubin’s sense (PAMI 1991; from memory)', () => {
  for (const points of strokes) {
    const fit = fitCircle(points);
    if (!fit) throw new Error('A circle fits.');
    const { centre, radius } = fit;
    const cost = ([x, y, r]: readonly number[]): number => {
      let squares = 0;
      let slopes = 0;
      for (const p of points) {
        const reach = (p.x - x) ** 2 + (p.y - y) ** 2;
        squares += (reach - r * r) ** 2;
        slopes += 4 * reach;
      }
      return squares / slopes;
    };
    expectBest([centre.x, centre.y, radius], cost, 2);
  }
});

test('points of a circle, an ellipse and a Bézier curve give them back', () => {
  const circle = fitCircle(ellipsePath({ x: 300, y: -40 }, 25, 25, 0, 0.2));
  expect(circle?.centre.x).toBeCloseTo(300, 6);
  expect(circle?.radius).toBeCloseTo(25, 6);
  const ellipse = fitEllipse(ellipsePath({ x: 10, y: 20 }, 50, 20, 0.7, 0.8));
  expect(ellipse?.rx).toBeCloseTo(50, 5);
  expect(ellipse?.ry).toBeCloseTo(20, 5);
  expect(ellipse?.angle).toBeCloseTo(0.7, 6);
  const quarter = ellipsePath({ x: 0, y: 0 }, 100, 100, 0, 0.25, 0);
  const curve = fitCurve(quarter);
  if (!curve) throw new Error('A curve fits.');
  // One cubic can stand for a quarter of a circle within 0.0273 % (Goldapp, CAGD 8, 1991; from memory).
  const [p, q, r, s] = curve;
  for (let k = 0; k <= 50; k++) {
    const [t, u] = [k / 50, 1 - k / 50];
    const at = (axis: 'x' | 'y'): number =>
      u ** 3 * p[axis] + 3 * u * u * t * q[axis] + 3 * u * t * t * r[axis] + t ** 3 * s[axis];
    expect(Math.abs(Math.hypot(at('x'), at('y')) / 100 - 1)).toBeLessThan(0.001);
  }
});
