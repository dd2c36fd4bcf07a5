import type { InkSample } from './sample.ts';
import { settlingTime, sigmaFor, smoothedAt } from './smoothing.ts';
import { cornerSharpness, isSharpestNear } from './corners.ts';

/** Ink under the pen. Points before `settledCount()` will not move again; the rest end at the pen. */
export interface LiveInk {
  push(sample: InkSample): void;
  /** The newest sample: the line always reaches the pen. */
  tip(): InkSample;
  /** The whole line so far, settled and unsettled. */
  points(): InkSample[];
  /** How many points of `points()` are final as far as the samples so far tell. */
  settledCount(): number;
  /** The settled points from index `from` on. */
  settledFrom(from: number): InkSample[];
  /** The last settled point and everything after it, up to the tip. */
  tail(): InkSample[];
}

/** Samples after one before its corner can be judged; the arms of a corner are rarely longer. */
const CORNER_LOOKAHEAD = 12;

/**
 * Smooths while the pen is down with the same kernel as {@link smoothInk}, so that lifting the pen moves
 * nothing that is settled. A push costs the width of one window, however long the stroke.
 */
export function createLiveInk(steadiness: number): LiveInk {
  const sigma = sigmaFor(steadiness);
  const wait = settlingTime(steadiness);
  const samples: InkSample[] = [];
  const sharpness: number[] = [];
  const settled: InkSample[] = [];
  const corners: number[] = [0];
  let judged = 0;

  function judgeCorners(): void {
    const end = samples.length - CORNER_LOOKAHEAD;
    while (sharpness.length < end) sharpness.push(cornerSharpness(samples, sharpness.length));
    for (; judged < sharpness.length - CORNER_LOOKAHEAD; judged++)
      if (sharpness[judged] > 0 && isSharpestNear(sharpness, samples, judged)) corners.push(judged);
  }

  /** The anchors around sample `i`: the last corner at or before it, the first after it or the tip. */
  function anchorsAround(i: number): [number, number] {
    let k = corners.length - 1;
    while (k > 0 && corners[k] > i) k--;
    if (corners[k] === i) return [i, i];
    return [corners[k], k + 1 < corners.length ? corners[k + 1] : samples.length - 1];
  }

  function smoothed(i: number): InkSample {
    if (sigma === 0) return samples[i];
    const [from, to] = anchorsAround(i);
    return smoothedAt(samples, i, from, to, sigma);
  }

  return {
    push(sample) {
      samples.push(sample);
      judgeCorners();
      while (settled.length < judged && samples[settled.length].t + wait < sample.t)
        settled.push(smoothed(settled.length));
    },
    tip: () => samples[samples.length - 1],
    points() {
      const out = [...settled];
      for (let i = settled.length; i < samples.length; i++) out.push(smoothed(i));
      return out;
    },
    settledCount: () => settled.length,
    settledFrom: (from) => settled.slice(from),
    tail() {
      const out = settled.slice(-1);
      for (let i = settled.length; i < samples.length; i++) out.push(smoothed(i));
      return out;
    },
  };
}
