import { HandFilter } from './handFilter.ts';
import { type HandModel, NO_TREMOR, SOME_HAND } from './handModel.ts';
import type { InkSample } from './sample.ts';

/** Where and when the pen was read: places in points, and the time since the place before, ms. */
export interface Track {
  readonly places: readonly Pick<InkSample, 'x' | 'y' | 't'>[];
  readonly steps: Float64Array;
  /** Samples at which the pen was suddenly elsewhere. */
  readonly jumps: ReadonlySet<number>;
}

/** The likeliest model of the hand that made a track. */
export interface Estimate {
  readonly model: HandModel;
  /** Twice the negative logarithm of the likelihood, up to a constant of the track. */
  readonly misfit: number;
  /** Variance of the sensor's noise, points². */
  readonly noise: number;
}

type Tremor = Pick<HandModel, 'tremor' | 'tremorHz'>;

/** Tenth powers of the jerk that are tried: from a ruled line to a flourish read without noise. */
const LEAST_JERK = 4;
const MOST_JERK = 12;
/** Tremors that are tried, in variances of the sensor's noise; frequencies of a hand's action tremor. */
const tremors = (tremor: number): Tremor[] =>
  [9.5, 8.5, 10.8].map((tremorHz) => ({ tremor, tremorHz }));
const LIGHT_TREMORS = tremors(10);
const HEAVY_TREMORS = tremors(100);
/** In less time no swing of a tremor can be told, ms. */
const SHORTEST_TREMOR = 150;
/** A tremor must explain the samples so much better before a hand is said to have one. */
const DOUBT = 12;
/** No hand that can write trembles more than this nine tenths of the time, points; what does is the writing itself. */
const MOST_SHAKE = 1.9;

/** Runs a model over a track whose hand turns sharply at the samples `turns`, keeping every row. */
export function filterThrough(
  track: Track,
  turns: ReadonlySet<number>,
  model: HandModel,
  memory = track.places.length,
): HandFilter {
  const filter = new HandFilter(model, memory);
  track.places.forEach((p, i) =>
    filter.step(p.x, p.y, track.steps[i], turns.has(i), track.jumps.has(i)),
  );
  return filter;
}

/** The model that makes the track likeliest, found by walking downhill over the jerk, without and with tremor. */
export function estimateHand(track: Track, turns: ReadonlySet<number>): Estimate {
  const tried = new Map<string, number>();
  let best: Estimate = { model: SOME_HAND, misfit: Infinity, noise: 1 };

  const misfitOf = (exponent: number, kind: Tremor): number => {
    const key = `${exponent} ${kind.tremor} ${kind.tremorHz}`;
    const known = tried.get(key);
    if (known !== undefined) return known;
    const model = { jerk: 10 ** exponent, ...kind };
    const trembling = kind.tremor > 0;
    // Without tremor only the likelihood is wanted, and no row need be remembered.
    const filter = filterThrough(track, turns, model, trembling ? undefined : 2);
    let misfit = filter.misfit() + (trembling ? DOUBT : 0);
    if (trembling && shakeOf(filter) > MOST_SHAKE) misfit = Infinity;
    tried.set(key, misfit);
    if (misfit < best.misfit) best = { model, misfit, noise: filter.noise() };
    return misfit;
  };
  const descend = (start: number, kind: Tremor): number => {
    let at = start;
    let here = misfitOf(at, kind);
    for (const step of [1, -1])
      for (let next = at + step; next >= LEAST_JERK && next <= MOST_JERK; next += step) {
        const there = misfitOf(next, kind);
        if (there >= here) break;
        at = next;
        here = there;
      }
    return at;
  };

  descend(8, NO_TREMOR);
  if (track.steps.reduce((a, b) => a + b, 0) < SHORTEST_TREMOR) return best;
  const jerk = descend(7, LIGHT_TREMORS[0]);
  for (const kind of LIGHT_TREMORS) misfitOf(jerk, kind);
  if (best.model.tremor === 0) return best;
  for (const kind of HEAVY_TREMORS) misfitOf(jerk, kind);
  descend(Math.round(Math.log10(best.model.jerk)), best.model);
  return best;
}

/** How far what a model takes for tremor swings, nine tenths of the time, points. */
function shakeOf(filter: HandFilter): number {
  const swings = Float64Array.from({ length: filter.count }, (_, i) => filter.tremorAt(i)).sort();
  return swings[Math.floor(0.9 * (swings.length - 1))] ?? 0;
}
