import { evenSteps, LEAST_BEAT, reportedSteps } from './clock.ts';
import {
  type Estimate,
  estimateHand,
  filterThrough,
  NO_TREMOR,
  type Track,
} from './handEstimate.ts';
import { jumpsOf } from './jumps.ts';
import { lookBack } from './handSmoother.ts';
import type { HandModel } from './handModel.ts';
import type { InkSample } from './sample.ts';

/** What is believed of the hand that wrote a stroke. Kept with the ink, since it takes a while to find. */
export interface HandReading extends HandModel {
  /** Whether the times between samples are better taken as even than as reported. */
  readonly evenClock: boolean;
  /** Indices of the samples at which the hand turned suddenly, rising. */
  readonly turns: readonly number[];
}

/** What the statistic of a sudden turn must reach: by chance one sample in two thousand does (chi-square, 4 degrees). */
const SUDDEN = 20;
/** With turns already granted, one more must stand out less. */
const SUDDEN_STILL = 14;
/** Of the turns found at once, those less than this share of the plainest wait for the next round. */
const PLAIN_SHARE = 0.5;
/** Turns closer than this are one, ms. */
const APART = 45;
/** A hand brisker than this may owe it to turns. */
const BRISK = 1e8;
/** The hand that turns are looked for with: a calm one, to which a corner is a surprise. */
const CALM_JERK = 1e7;
const ROUNDS = 6;
/** Samples of the longest stroke that is read whole. */
const MOST_READ = 1500;
const LAST_ROUNDS = 4;
/** Tells the better of two clocks whatever the hand. */
const TRIAL: HandModel = { jerk: 1e10, ...NO_TREMOR };
const NONE: ReadonlySet<number> = new Set();

/**
 * Reads the hand from its samples: which clock they were read by, how noisy the sensor is, how briskly the hand
 * moves, whether it trembles, and where it turned. Of all readings tried the likeliest is taken; every turn must
 * pay for the freedom it gives.
 */
export function readHand(samples: readonly InkSample[]): HandReading {
  const evenClock = isEvenClock(samples);
  const track = trackOf(samples, evenClock);
  const plain = estimateHand(middleOf(track), NONE);
  let best: Estimate & { turns: Set<number> } = { ...plain, turns: new Set() };
  const long = samples.length > MOST_READ;
  if (long) addTurns(track, samples, best.model, best.noise, best.turns, SUDDEN);
  else if (plain.model.jerk >= BRISK) {
    for (const tremor of [0, plain.model.tremor || 10]) {
      const turns = new Set<number>();
      const calm = { ...plain.model, jerk: CALM_JERK, tremor };
      for (let round = 0; round < ROUNDS; round++)
        if (!addTurns(track, samples, calm, plain.noise, turns, SUDDEN)) break;
      if (turns.size === 0) continue;
      const fit = estimateHand(track, turns);
      if (fit.misfit < best.misfit) best = { ...fit, turns };
    }
    for (let round = 0; round < LAST_ROUNDS; round++) {
      const turns = new Set(best.turns);
      if (!addTurns(track, samples, best.model, best.noise, turns, SUDDEN_STILL)) break;
      const fit = estimateHand(track, turns);
      if (fit.misfit >= best.misfit) break;
      best = { ...fit, turns };
    }
  }
  return { ...best.model, evenClock, turns: [...best.turns].sort((a, b) => a - b) };
}

/** The samples by the clock that was found better. */
export function trackOf(places: readonly InkSample[], evenClock: boolean): Track {
  const reported = reportedSteps(places);
  return { places, steps: evenClock ? evenSteps(reported) : reported, jumps: jumpsOf(places) };
}

/** A stroke that is very long is judged by its middle: a hand does not change, and the pen is already lifted. */
function middleOf({ places, steps, jumps }: Track): Track {
  if (places.length <= MOST_READ) return { places, steps, jumps };
  const from = (places.length - MOST_READ) >> 1;
  return {
    places: places.slice(from, from + MOST_READ),
    steps: steps.subarray(from, from + MOST_READ),
    jumps: new Set([...jumps].map((i) => i - from).filter((i) => i > 0 && i < MOST_READ)),
  };
}

function isEvenClock(samples: readonly InkSample[]): boolean {
  const last = samples[samples.length - 1];
  // Stamps that leave no time between samples tell nothing.
  if (last.t - samples[0].t < (samples.length - 1) * (LEAST_BEAT / 2)) return true;
  const misfit = (even: boolean): number =>
    filterThrough(trackOf(samples, even), NONE, TRIAL, 2).misfit();
  return misfit(true) < misfit(false);
}

/** Adds the samples at which the hand turned more suddenly than `model` allows; whether any was found. */
function addTurns(
  track: Track,
  samples: readonly InkSample[],
  model: HandModel,
  noise: number,
  turns: Set<number>,
  sudden: number,
): boolean {
  const n = samples.length;
  const filter = filterThrough(track, turns, model);
  const statistic = new Float64Array(n);
  lookBack(filter, 0, Math.max(noise, LEAST_NOISE), (i, _x, _y, turn) => {
    if (i >= 2 && i < n - 2 && !turns.has(i)) statistic[i] = turn;
  });
  const least = Math.max(sudden, PLAIN_SHARE * statistic.reduce((a, b) => Math.max(a, b), 0));
  const isPlainest = (i: number): boolean => {
    for (const step of [-1, 1] as const)
      for (let j = i + step; j >= 0 && j < n; j += step) {
        if (Math.abs(samples[j].t - samples[i].t) >= APART) break;
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

/** A sensor is never believed better than this, points². */
const LEAST_NOISE = 1e-6;
