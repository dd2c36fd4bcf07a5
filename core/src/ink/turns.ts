import { filterThrough, type Track } from './handEstimate.ts';
import type { HandModel } from './handModel.ts';
import { lookBack } from './handSmoother.ts';

/** Of the turns found at once, those less than this share of the plainest wait for the next round. */
const PLAIN_SHARE = 0.5;
/** Turns closer than this are one, ms. */
const APART = 45;
/** A sensor is never believed better than this, points². */
const LEAST_NOISE = 1e-6;

/**
 * Adds the samples of a track at which the hand turned more suddenly than `model` allows: those whose statistic (see
 * {@link lookBack}) reaches `sudden` with the sensor's `noise` (variance, points²). Whether any was found.
 */
export function addTurns(
  track: Track,
  model: HandModel,
  noise: number,
  turns: Set<number>,
  sudden: number,
): boolean {
  const { places } = track;
  const n = places.length;
  const filter = filterThrough(track, turns, model);
  const statistic = new Float64Array(n);
  lookBack(filter, 0, Math.max(noise, LEAST_NOISE), (i, _x, _y, turn) => {
    if (i >= 2 && i < n - 2 && !turns.has(i)) statistic[i] = turn;
  });
  const least = Math.max(sudden, PLAIN_SHARE * statistic.reduce((a, b) => Math.max(a, b), 0));
  const isPlainest = (i: number): boolean => {
    for (const step of [-1, 1] as const)
      for (let j = i + step; j >= 0 && j < n; j += step) {
        if (Math.abs(places[j].t - places[i].t) >= APART) break;
        if (turns.has(j) || statistic[j] > statistic[i]) return false;
        if (step < 0 && statistic[j] === statistic[i]) return false;
      }
    return true;
  };
  const found: number[] = [];
  for (let i = 2; i < n - 2; i++) if (statistic[i] >= least && isPlainest(i)) found.push(i);
  for (const i of found) turns.add(i);
  return found.length > 0;
}
