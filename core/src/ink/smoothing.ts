import { filterThrough } from './handEstimate.ts';
import type { HandModel } from './handModel.ts';
import { lookBack } from './handSmoother.ts';
import type { InkSample } from './sample.ts';
import { sharpenCorners } from './sharpen.ts';
import { type HandReading, readHand, trackOf } from './readHand.ts';

/** The steadiness at which the hand is believed to be what it most likely is. */
const AS_ESTIMATED = 40;
/** At steadiness 100 the hand is held so much calmer than it seems, tenth powers of the jerk … */
const CALMER = 1.5;
/** … and taken to tremble at least so much, in variances of the sensor's noise. */
const LEAST_TREMOR = 30;
/** The ends of the line bend to where the pen was within this time, ms. */
export const END_EASE = 14;
/** Kernel width of the pressure's smoothing, ms: sensors are coarse, hands are not that quick. */
const PRESSURE_SIGMA = 12;
/** Fewer samples than this tell nothing of a hand. */
const FEWEST = 4;

/** A sample that is being moved. */
export type Moving = { -readonly [K in keyof InkSample]: InkSample[K] };

/**
 * Finished ink. The hand is read from its own samples (see {@link readHand}): a steady one is left alone, a trembling
 * one is helped. Steadiness 0 gives the samples as they are, 40 what the hand most likely meant, 100 serves strong
 * tremor. Order, times and count are kept; both ends stay where the pen was, and sharp corners sharp.
 */
export function smoothInk(samples: readonly InkSample[], steadiness: number): InkSample[] {
  if (steadiness <= 0 || samples.length < FEWEST) return [...samples];
  return smoothInkAs(samples, steadiness, readHand(samples));
}

/** The same for a hand that has been read already. */
export function smoothInkAs(
  samples: readonly InkSample[],
  steadiness: number,
  hand: HandReading,
): InkSample[] {
  if (steadiness <= 0 || samples.length < FEWEST) return [...samples];
  const track = trackOf(samples, hand.evenClock);
  const turns = new Set(hand.turns);
  const out: Moving[] = samples.map((s) => ({ ...s }));
  const share = shareOf(steadiness);
  lookBack(filterThrough(track, turns, heldBy(steadiness, hand)), 0, null, (i, x, y) => {
    out[i].x += share * (x - out[i].x);
    out[i].y += share * (y - out[i].y);
    out[i].pressure = pressureAt(samples, i);
  });
  sharpenCorners(out, samples, turns);
  easeToEnd(samples, out, 0);
  easeToEnd(samples, out, samples.length - 1);
  return out;
}

/** How much of the smoothing is used: little steadiness leaves some of the raw line. */
export const shareOf = (steadiness: number): number => Math.min(1, steadiness / AS_ESTIMATED);

/** The model that smooths at a steadiness, for a hand that most likely is `model`. */
export function heldBy(steadiness: number, model: HandModel): HandModel {
  const more = (Math.min(100, steadiness) - AS_ESTIMATED) / (100 - AS_ESTIMATED);
  if (more <= 0) return model;
  return {
    ...model,
    jerk: model.jerk * 10 ** (-CALMER * more),
    tremor: Math.max(model.tremor, LEAST_TREMOR * more),
  };
}

/** Brings an end of the line to where the pen was; the part within {@link END_EASE} follows. */
export function easeToEnd(samples: readonly InkSample[], out: Moving[], end: number): void {
  const step = end === 0 ? 1 : -1;
  const dx = samples[end].x - out[end].x;
  const dy = samples[end].y - out[end].y;
  for (let i = end; i >= 0 && i < out.length; i += step) {
    const u = Math.abs(samples[i].t - samples[end].t) / END_EASE;
    if (u >= 1) break;
    const w = (1 - u) * (1 - u) * (1 + 2 * u);
    out[i].x += w * dx;
    out[i].y += w * dy;
  }
  out[end] = { ...samples[end] };
}

/** The pressure around sample `i`, weighted by a Gaussian over time. */
export function pressureAt(samples: readonly InkSample[], i: number): number {
  let sum = 0;
  let weights = 0;
  for (const step of [-1, 1] as const)
    for (let j = step < 0 ? i : i + 1; j >= 0 && j < samples.length; j += step) {
      const tau = (samples[j].t - samples[i].t) / PRESSURE_SIGMA;
      if (tau * tau > 6 || Math.abs(j - i) > 12) break;
      const w = Math.exp(-0.5 * tau * tau);
      sum += w * samples[j].pressure;
      weights += w;
    }
  return sum / weights;
}
