import { isEnough, isPause, LEAST_BEAT } from './clock.ts';
import { HandFilter } from './handFilter.ts';
import { SOME_HAND } from './handModel.ts';
import type { InkSample } from './sample.ts';

/** Steps of time while samples come, by the clock that has explained them better so far; see `clock.ts`. */
export interface LiveClock {
  /** Takes in a sample and gives the step that leads to it, ms. */
  push(sample: InkSample): number;
  /** The step that leads to sample `i`, as it is believed by now. */
  step(i: number): number;
}

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

export function createLiveClock(): LiveClock {
  const reported: number[] = [];
  const even: number[] = [];
  const asReported = new HandFilter(SOME_HAND, 2);
  const asEven = new HandFilter(SOME_HAND, 2);
  /** The latest steps that were no pauses: as many as tell the beat. */
  const beats: number[] = [];
  let lastT = 0;
  let evenIsBetter = false;

  const step = (i: number): number => (evenIsBetter ? even[i] : reported[i]);

  return {
    step,
    push({ x, y, t }) {
      const first = reported.length === 0;
      const ms = first ? 0 : Math.max(0, t - lastT);
      lastT = t;
      const pause = first || (beats.length > 2 && isPause(ms, sum(beats) / beats.length));
      if (!pause) beats.push(ms);
      while (isEnough(beats.length - 1, sum(beats) - beats[0])) beats.shift();
      reported.push(ms);
      even.push(pause ? ms : Math.max(LEAST_BEAT, sum(beats) / beats.length));
      asReported.step(x, y, ms, false);
      asEven.step(x, y, even[even.length - 1], false);
      evenIsBetter = asEven.misfit() < asReported.misfit();
      return step(reported.length - 1);
    },
  };
}
