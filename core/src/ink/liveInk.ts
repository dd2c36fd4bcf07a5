import { HandFilter } from './handFilter.ts';
import { type HandModel, SOME_HAND } from './handModel.ts';
import { lookBack } from './handSmoother.ts';
import { isJump } from './jumps.ts';
import { createLiveClock } from './liveClock.ts';
import type { InkSample } from './sample.ts';
import { easeToEnd, END_EASE, heldBy, type Moving, pressureAt, shareOf } from './smoothing.ts';

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
  /** Which hand is believed in by now: the next stroke is most likely by the same one. */
  hand(): LiveHand;
}

/** One of the hands that live ink decides between; as it comes from {@link LiveInk.hand}. */
export type LiveHand = number;

/** A place settles when samples of so much time have followed it, ms: one swing of a tremor. */
const SETTLING = 110;
/** Samples that can be looked back on; a power of two. At 240 Hz that is half a second. */
const MEMORY = 128;
/** Unsettled samples never become more than this. */
const MOST_UNSETTLED = MEMORY - 32;
/** Hands between which the samples decide while they come; the first is believed in until then. */
const HANDS: readonly HandModel[] = [
  SOME_HAND,
  ...[1e6, 1e8, 1e12].map((jerk) => ({ ...SOME_HAND, jerk })),
  ...[10, 100].flatMap((tremor) => [1e7, 1e9].map((jerk) => ({ ...SOME_HAND, jerk, tremor }))),
];
/** How much likelier another hand must be to take over. */
const STUBBORN = 8;

/**
 * Smooths while the pen is down, with the same model of the hand as {@link smoothInk}; which hand it is, the
 * samples tell as they come. A push costs the same however long the stroke.
 * @param first the hand that is believed in until the samples tell: that of the stroke before, so that a trembling one is
 *   helped from the first moment on
 */
export function createLiveInk(steadiness: number, first: LiveHand = 0): LiveInk {
  const samples: InkSample[] = [];
  const settled: InkSample[] = [];
  const jumps = new Set<number>();
  const hands = HANDS.map((model) => new HandFilter(model, 2));
  const clock = createLiveClock();
  const share = shareOf(steadiness);
  let hand = first in HANDS ? first : 0;
  let drawing = new HandFilter(heldBy(steadiness, HANDS[hand]), MEMORY);
  /** Index of the sample that `drawing` took in first. */
  let base = 0;
  /** The line from `settled.length` on; null when samples came since. */
  let unsettled: InkSample[] | null = [];

  function likelierHand(): number {
    let best = hand;
    for (let k = 0; k < hands.length; k++)
      if (hands[k].misfit() + (k === hand ? 0 : STUBBORN) < hands[best].misfit()) best = k;
    return best;
  }

  /** Another hand is believed in: what is remembered is read with it again. */
  function changeHand(to: number): void {
    hand = to;
    base = Math.max(0, samples.length - MEMORY);
    drawing = new HandFilter(heldBy(steadiness, HANDS[hand]), MEMORY);
    for (let i = base; i < samples.length; i++)
      drawing.step(samples[i].x, samples[i].y, clock.step(i), false, jumps.has(i));
  }

  /** The line from sample `from` on, as far as it is known. */
  function lineFrom(from: number): Moving[] {
    const part = samples.slice(from);
    const line: Moving[] = part.map((s) => ({ ...s }));
    lookBack(drawing, from - base, null, (k, x, y) => {
      const p = line[k + base - from];
      p.x += share * (x - p.x);
      p.y += share * (y - p.y);
      p.pressure = pressureAt(samples, k + base);
    });
    if (from === 0) easeToEnd(part, line, 0);
    easeToEnd(part, line, part.length - 1);
    return line;
  }

  function refresh(): InkSample[] {
    if (unsettled) return unsettled;
    const last = samples[samples.length - 1];
    const begun = settled.length;
    if (steadiness <= 0 || samples.length < 2) return (unsettled = samples.slice(begun));
    // The first points bend to where the pen came down, so they are looked at together.
    const from = samples[begun].t - samples[0].t < END_EASE && base === 0 ? 0 : begun;
    const line = lineFrom(from).slice(begun - from);
    let n = 0;
    while (n < line.length - 1 && line[n].t + SETTLING < last.t) n++;
    settled.push(...line.slice(0, n));
    return (unsettled = line.slice(n));
  }

  /** Settles samples that came so densely that they would soon be forgotten. */
  function settleBy(count: number): void {
    settled.push(...refresh().slice(0, count));
    unsettled = null;
  }

  return {
    push(sample) {
      const step = clock.push(sample);
      samples.push(sample);
      unsettled = null;
      if (steadiness <= 0) {
        settled.push(...samples.slice(settled.length, -1));
        return;
      }
      const n = samples.length;
      const jump = n > 3 && isJump(samples[n - 4], samples[n - 3], samples[n - 2], sample);
      if (jump) jumps.add(n - 1);
      for (const one of hands) one.step(sample.x, sample.y, step, false, jump);
      drawing.step(sample.x, sample.y, step, false, jump);
      const likelier = likelierHand();
      if (likelier !== hand) changeHand(likelier);
      if (samples.length - settled.length > MOST_UNSETTLED) refresh();
      if (samples.length - settled.length > MOST_UNSETTLED) settleBy(MOST_UNSETTLED / 2);
    },
    tip: () => samples[samples.length - 1],
    points() {
      const rest = refresh();
      return [...settled, ...rest];
    },
    settledCount() {
      refresh();
      return settled.length;
    },
    settledFrom(from) {
      refresh();
      return settled.slice(from);
    },
    tail() {
      const rest = refresh();
      return [...settled.slice(-1), ...rest];
    },
    hand: () => hand,
  };
}
