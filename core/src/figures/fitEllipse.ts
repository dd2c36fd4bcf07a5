import { add, rotate, scale, subtract, type Vec, vec } from '../geometry/index.ts';

export interface FittedEllipse {
  readonly centre: Vec;
  /** Semi-axes, rx ≥ ry. */
  readonly rx: number;
  readonly ry: number;
  /** Direction of the `rx` axis, radians. */
  readonly angle: number;
}

type Row = [number, number, number];

/**
 * Direct least-squares ellipse (Fitzgibbon, Pilu & Fisher, PAMI 1999) in the numerically stable form of
 * Halíř & Flusser 1998. Points are centred and scaled first. Null when no ellipse fits (collinear points).
 */
export function fitEllipse(points: readonly Vec[]): FittedEllipse | null {
  if (points.length < 6) return null;
  const mean = scale(points.reduce(add, vec(0, 0)), 1 / points.length);
  const size = Math.sqrt(
    points.reduce((sum, p) => sum + (p.x - mean.x) ** 2 + (p.y - mean.y) ** 2, 0) / points.length,
  );
  if (size === 0) return null;
  const { s1, s2, s3 } = scatters(points, mean, size);
  const s3Inverse = inverted(s3);
  if (!s3Inverse) return null;
  const t = product(s3Inverse, transposed(s2)).map((row) => row.map((v) => -v) as Row);
  const m = product(s2, t).map((row, i) => row.map((v, j) => v + s1[i][j]) as Row);
  // Premultiplied by the inverse of the constraint matrix C1.
  const reduced: Row[] = [
    m[2].map((v) => v / 2) as Row,
    m[1].map((v) => -v) as Row,
    m[0].map((v) => v / 2) as Row,
  ];
  for (const lambda of realEigenvalues(reduced)) {
    const v = eigenvector(reduced, lambda);
    if (!v || 4 * v[0] * v[2] - v[1] * v[1] <= 0) continue;
    const rest = t.map((row) => row[0] * v[0] + row[1] * v[1] + row[2] * v[2]);
    const e = fromConic(v[0], v[1], v[2], rest[0], rest[1], rest[2]);
    if (e)
      return {
        centre: add(mean, scale(e.centre, size)),
        rx: e.rx * size,
        ry: e.ry * size,
        angle: e.angle,
      };
  }
  return null;
}

/** The scatter matrices of (x², xy, y²) and (x, y, 1), and of one with the other, from sums of powers. */
function scatters(
  points: readonly Vec[],
  mean: Vec,
  size: number,
): { readonly s1: Row[]; readonly s2: Row[]; readonly s3: Row[] } {
  let [x1, y1, x2, xy, y2, x3, x2y, xy2, y3] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  let [x4, x3y, x2y2, xy3, y4] = [0, 0, 0, 0, 0];
  for (const p of points) {
    const x = (p.x - mean.x) / size;
    const y = (p.y - mean.y) / size;
    const [xx, m, yy] = [x * x, x * y, y * y];
    x1 += x;
    y1 += y;
    x2 += xx;
    xy += m;
    y2 += yy;
    x3 += xx * x;
    x2y += xx * y;
    xy2 += x * yy;
    y3 += yy * y;
    x4 += xx * xx;
    x3y += xx * m;
    x2y2 += xx * yy;
    xy3 += m * yy;
    y4 += yy * yy;
  }
  return {
    s1: [
      [x4, x3y, x2y2],
      [x3y, x2y2, xy3],
      [x2y2, xy3, y4],
    ],
    s2: [
      [x3, x2y, x2],
      [x2y, xy2, xy],
      [xy2, y3, y2],
    ],
    s3: [
      [x2, xy, x1],
      [xy, y2, y1],
      [x1, y1, points.length],
    ],
  };
}

/** Centre, axes and turn of A x² + B xy + C y² + D x + E y + F = 0. */
function fromConic(
  a: number,
  b: number,
  c: number,
  d: number,
  e: number,
  f: number,
): FittedEllipse | null {
  const det = 4 * a * c - b * b;
  const centre = vec((b * e - 2 * c * d) / det, (b * d - 2 * a * e) / det);
  const atCentre = f + (d * centre.x + e * centre.y) / 2;
  const root = Math.hypot(a - c, b);
  const big = -atCentre / ((a + c - Math.sign(a) * root) / 2);
  const small = -atCentre / ((a + c + Math.sign(a) * root) / 2);
  if (!(big > 0) || !(small > 0)) return null;
  const angle = 0.5 * Math.atan2(-Math.sign(a) * b, Math.sign(a) * (c - a));
  return { centre, rx: Math.sqrt(big), ry: Math.sqrt(small), angle };
}

/** First-order (Sampson-like) distance of `p` from the ellipse, in its own units. */
export function ellipseDistance(e: FittedEllipse, p: Vec): number {
  const q = rotate(subtract(p, e.centre), -e.angle);
  const u = q.x / e.rx;
  const v = q.y / e.ry;
  const level = Math.hypot(u, v);
  if (level === 0) return e.ry;
  const slope = Math.hypot(u / e.rx, v / e.ry) / level;
  return Math.abs(level - 1) / slope;
}

const transposed = (m: readonly Row[]): Row[] =>
  [0, 1, 2].map((i) => [m[0][i], m[1][i], m[2][i]] as Row);

const product = (a: readonly Row[], b: readonly Row[]): Row[] =>
  a.map(
    (row) => [0, 1, 2].map((j) => row[0] * b[0][j] + row[1] * b[1][j] + row[2] * b[2][j]) as Row,
  );

function determinant(m: readonly Row[]): number {
  return (
    m[0][0] * (m[1][1] * m[2][2] - m[1][2] * m[2][1]) -
    m[0][1] * (m[1][0] * m[2][2] - m[1][2] * m[2][0]) +
    m[0][2] * (m[1][0] * m[2][1] - m[1][1] * m[2][0])
  );
}

function inverted(m: readonly Row[]): Row[] | null {
  const det = determinant(m);
  if (Math.abs(det) < 1e-12) return null;
  const minor = (i: number, j: number): number => {
    const r = [0, 1, 2].filter((k) => k !== i);
    const c = [0, 1, 2].filter((k) => k !== j);
    return m[r[0]][c[0]] * m[r[1]][c[1]] - m[r[0]][c[1]] * m[r[1]][c[0]];
  };
  return [0, 1, 2].map(
    (i) => [0, 1, 2].map((j) => (minor(j, i) * ((i + j) % 2 === 0 ? 1 : -1)) / det) as Row,
  );
}

/** Roots of the characteristic cubic, by Cardano's formula in its trigonometric form where three are real. */
function realEigenvalues(m: readonly Row[]): number[] {
  const trace = m[0][0] + m[1][1] + m[2][2];
  const minors =
    m[0][0] * m[1][1] -
    m[0][1] * m[1][0] +
    m[0][0] * m[2][2] -
    m[0][2] * m[2][0] +
    m[1][1] * m[2][2] -
    m[1][2] * m[2][1];
  const third = trace / 3;
  const p = minors - (trace * trace) / 3;
  const q = (-2 * trace ** 3) / 27 + (trace * minors) / 3 - determinant(m);
  const disc = (q * q) / 4 + (p * p * p) / 27;
  if (disc > 0) {
    const r = Math.sqrt(disc);
    return [Math.cbrt(-q / 2 + r) + Math.cbrt(-q / 2 - r) + third];
  }
  const r = 2 * Math.sqrt(Math.max(0, -p / 3));
  if (r === 0) return [third];
  const phi = Math.acos(Math.min(1, Math.max(-1, (3 * q) / (p * r)))) / 3;
  return [0, 1, 2].map((k) => r * Math.cos(phi - (2 * Math.PI * k) / 3) + third);
}

/** The largest cross product of two rows of m − λI. */
function eigenvector(m: readonly Row[], lambda: number): Row | null {
  const a = m.map((row, i) => row.map((v, j) => (i === j ? v - lambda : v)) as Row);
  let best: Row | null = null;
  let bestSize = 0;
  for (const [i, j] of [
    [0, 1],
    [0, 2],
    [1, 2],
  ] as const) {
    const v: Row = [
      a[i][1] * a[j][2] - a[i][2] * a[j][1],
      a[i][2] * a[j][0] - a[i][0] * a[j][2],
      a[i][0] * a[j][1] - a[i][1] * a[j][0],
    ];
    const size = Math.hypot(...v);
    if (size > bestSize) {
      best = v;
      bestSize = size;
    }
  }
  return best && (best.map((v) => v / bestSize) as Row);
}
