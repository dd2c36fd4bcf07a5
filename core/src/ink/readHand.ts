import { evenSteps, LEAST_BEAT, reportedSteps } from './clock.ts';
import { type Estimate, estimateHand, filterThrough, type Track } from './handEstimate.ts';
import { type HandModel, SOME_HAND } from './handModel.ts';
import { jumpsOf } from './jumps.ts';
import type { InkSample } from './sample.ts';
import { addTurns } from './turns.ts';

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
/** A hand brisker than this may owe it to turns. */
const BRISK = 1e8;
/** The hand that turns are looked for with: a calm one, to which a corner is a surprise. */
const CALM_JERK = 1e7;
/** How often turns are looked for with a calm hand, and once more with the hand that was found. */
const ROUNDS = 6;
const LAST_ROUNDS = 4;
/** The tremor a hand may have behind its turns where none was found without them, in variances of the noise. */
const HIDDEN_TREMOR = 10;
/** Samples of the longest stroke that is read whole. */
const MOST_READ = 1500;
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
  const { model, turns } =
    samples.length > MOST_READ ? withPlainTurns(track, plain) : withTurns(track, plain);
  return { ...model, evenClock, turns: [...turns].sort((a, b) => a - b) };
}

type Turning = Estimate & { readonly turns: ReadonlySet<number> };

/** The likelier of the hand that is `plain` and a calmer one that turns. */
function withTurns(track: Track, plain: Estimate): Turning {
  let best: Turning = { ...plain, turns: NONE };
  if (plain.model.jerk < BRISK) return best;
  for (const tremor of [0, plain.model.tremor || HIDDEN_TREMOR]) {
    const turns = new Set<number>();
    const calm = { ...plain.model, jerk: CALM_JERK, tremor };
    for (let round = 0; round < ROUNDS; round++)
      if (!addTurns(track, calm, plain.noise, turns, SUDDEN)) break;
    if (turns.size === 0) continue;
    const fit = estimateHand(track, turns);
    if (fit.misfit < best.misfit) best = { ...fit, turns };
  }
  for (let round = 0; round < LAST_ROUNDS; round++) {
    const turns = new Set(best.turns);
    if (!addTurns(track, best.model, best.noise, turns, SUDDEN_STILL)) break;
    const fit = estimateHand(track, turns);
    if (fit.misfit >= best.misfit) break;
    best = { ...fit, turns };
  }
  return best;
}

/** For very long strokes: the turns that stand out from the hand as it is, found in one go. */
function withPlainTurns(track: Track, plain: Estimate): Turning {
  const turns = new Set<number>();
  addTurns(track, plain.model, plain.noise, turns, SUDDEN);
  return { ...plain, turns };
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
    filterThrough(trackOf(samples, even), NONE, SOME_HAND, 2).misfit();
  return misfit(true) < misfit(false);
}
