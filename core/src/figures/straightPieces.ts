import type { Vec } from '../geometry/index.ts';

/** A line cut into straight pieces as well as can be: piece `k` goes from point `cuts[k]` to `cuts[k + 1]`. */
export interface Pieces {
  readonly cuts: readonly number[];
  /** Root mean square of the points' distances from their pieces' lines. */
  readonly stray: number;
}

/** A piece spans at least so many points. */
const SHORTEST = 2;

/**
 * For each number of pieces from one to `most`, the best way to cut the line into so many straight pieces (least squares
 * of the distances, found by dynamic programming: no corner finder can do better). Entry `k − 1` has `k` pieces.
 */
export function straightPieces(points: readonly Vec[], most: number): Pieces[] {
  const n = points.length;
  const misfit = misfits(points);
  let cost = new Float64Array(n).fill(Infinity);
  for (let j = SHORTEST; j < n; j++) cost[j] = misfit[j * n];
  const from: Int16Array[] = [new Int16Array(n)];
  const costs = [cost];
  for (let k = 1; k < most; k++) {
    const next = new Float64Array(n).fill(Infinity);
    const origin = new Int16Array(n);
    for (let j = (k + 1) * SHORTEST; j < n; j++)
      for (let i = j - SHORTEST; i >= k * SHORTEST; i--) {
        const last = misfit[j * n + i];
        // A longer last piece fits no better: with it alone dearer than the best, none that is longer can win.
        if (last >= next[j]) break;
        const c = cost[i] + last;
        if (c < next[j]) {
          next[j] = c;
          origin[j] = i;
        }
      }
    from.push(origin);
    costs.push(next);
    cost = next;
  }
  return costs
    .map((c, k) => ({ k, end: c[n - 1] }))
    .filter(({ end }) => Number.isFinite(end))
    .map(({ k, end }) => ({ cuts: cutsOf(from, k, n), stray: Math.sqrt(end / n) }));
}

function cutsOf(from: readonly Int16Array[], k: number, n: number): number[] {
  const cuts = [n - 1];
  for (let j = n - 1; k > 0; k--) {
    j = from[k][j];
    cuts.unshift(j);
  }
  return [0, ...cuts];
}

/**
 * Squared distances of points `i` to `j` from their best line, at `j * n + i`, from running sums: the lesser eigenvalue
 * of their scatter.
 */
function misfits(points: readonly Vec[]): Float64Array {
  const n = points.length;
  const sums = new Float64Array(5 * (n + 1));
  const { x: ox, y: oy } = points[0];
  for (let i = 0; i < n; i++) {
    const x = points[i].x - ox;
    const y = points[i].y - oy;
    const at = 5 * i;
    sums[at + 5] = sums[at] + x;
    sums[at + 6] = sums[at + 1] + y;
    sums[at + 7] = sums[at + 2] + x * x;
    sums[at + 8] = sums[at + 3] + x * y;
    sums[at + 9] = sums[at + 4] + y * y;
  }
  const table = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = i + SHORTEST; j < n; j++) {
      const m = j - i + 1;
      const [a, b] = [5 * i, 5 * (j + 1)];
      const sx = sums[b] - sums[a];
      const sy = sums[b + 1] - sums[a + 1];
      const xx = sums[b + 2] - sums[a + 2] - (sx * sx) / m;
      const xy = sums[b + 3] - sums[a + 3] - (sx * sy) / m;
      const yy = sums[b + 4] - sums[a + 4] - (sy * sy) / m;
      const half = (xx + yy) / 2;
      const root = Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);
      table[j * n + i] = Math.max(0, half - root);
    }
  return table;
}
