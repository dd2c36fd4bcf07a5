import { distance, type Matrix, transform, type Vec } from '../geometry/index.ts';

/** A place before and after. */
export interface Pair {
  readonly was: Vec;
  readonly is: Vec;
}

/** What carries places to others, turned, scaled and moved, and which of them agree with it. */
export interface Fit {
  readonly map: Matrix;
  /** Of the pairs, from 0. */
  readonly agreeing: readonly number[];
}

/** Pairs from which a map is tried. */
const TRIES = 60;
/** When so many agree nothing better is looked for. */
const NEARLY = 0.97;
/** Two places nearer than this tell no turn, points. */
const APART = 60;
/** Turns and scales less than these are none: print lies straight. */
const [NO_TURN, NO_SCALE] = [0.0015, 0.002];

/** The turn, scale and shift that carries `a` to `b` best (least squares; the 2-D case of Umeyama, IEEE PAMI 13(4), 1991, without reflection). */
export function similarityOf(pairs: readonly Pair[]): Matrix {
  const n = Math.max(1, pairs.length);
  const mean = (of: (pair: Pair) => Vec): Vec => ({
    x: pairs.reduce((sum, pair) => sum + of(pair).x, 0) / n,
    y: pairs.reduce((sum, pair) => sum + of(pair).y, 0) / n,
  });
  const [p, q] = [mean(({ was }) => was), mean(({ is }) => is)];
  let [dot, cross, size] = [0, 0, 0];
  for (const { was, is } of pairs) {
    const [a, b] = [
      { x: was.x - p.x, y: was.y - p.y },
      { x: is.x - q.x, y: is.y - q.y },
    ];
    dot += a.x * b.x + a.y * b.y;
    cross += a.x * b.y - a.y * b.x;
    size += a.x * a.x + a.y * a.y;
  }
  const [c, s] = size > 0 ? straightened(dot / size, cross / size) : [1, 0];
  return [c, s, -s, c, q.x - c * p.x + s * p.y, q.y - s * p.x - c * p.y];
}

function straightened(c: number, s: number): readonly [number, number] {
  const scale = Math.hypot(c, s);
  const turn = Math.atan2(s, c);
  const quarter = (Math.round(turn / (Math.PI / 2)) * Math.PI) / 2;
  const even = Math.abs(scale - 1) < NO_SCALE ? 1 : scale;
  const angle = Math.abs(turn - quarter) < NO_TURN ? quarter : turn;
  return [even * Math.cos(angle), even * Math.sin(angle)];
}

/** The map that most of the pairs agree with, to within `reach` points; null without pairs. */
export function fitMost(pairs: readonly Pair[], reach: number): Fit | null {
  if (pairs.length === 0) return null;
  const agreeing = (map: Matrix): number[] =>
    pairs.flatMap(({ was, is }, k) => (distance(transform(map, was), is) <= reach ? [k] : []));
  let best = agreeing(similarityOf(pairs));
  const step = Math.max(1, Math.floor(pairs.length / TRIES));
  const candidates = pairs.filter((_, n) => n % step === 0);
  for (let k = 0; k < candidates.length && best.length < NEARLY * pairs.length; k++) {
    const one = candidates[k];
    // By this one alone, and by it with the one farthest from it that is looked at.
    const others = candidates.filter(({ was }) => distance(was, one.was) > APART);
    const other = others[(7 * k) % Math.max(1, others.length)];
    for (const few of other ? [[one], [one, other]] : [[one]]) {
      const found = agreeing(similarityOf(few));
      if (found.length > best.length) best = found;
    }
  }
  const first = similarityOf(best.map((k) => pairs[k]));
  const final = agreeing(first);
  const kept = final.length >= best.length ? final : best;
  return { map: similarityOf(kept.map((k) => pairs[k])), agreeing: kept };
}
