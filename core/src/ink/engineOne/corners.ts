import type { InkSample } from '../sample.ts';

/** Arm on either side of a corner, points: long against sensor noise, short against letters. */
const REACH = 3;
/** A turn sharper than this over the two arms is meant as a corner, radians (75°). */
const SHARP = (75 * Math.PI) / 180;
/** Half-length arms must already see this share of the turn; a bend sees about half. */
const CONCENTRATED = 0.8;
/** Looking along an arm stops after so many samples, to bound the work of one. */
const MOST_SAMPLES = 60;

/** The turn at `i` between chords of about `reach` points before and after; null at the ends. */
function turnAt(samples: readonly InkSample[], i: number, reach: number): number | null {
  const a = alongFrom(samples, i, -1, reach);
  const b = alongFrom(samples, i, 1, reach);
  if (a === null || b === null) return null;
  const s = samples[i];
  const ux = s.x - samples[a].x;
  const uy = s.y - samples[a].y;
  const vx = samples[b].x - s.x;
  const vy = samples[b].y - s.y;
  return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy));
}

/** The first sample at least `reach` away from `i` in the given direction; null when there is none. */
function alongFrom(
  samples: readonly InkSample[],
  i: number,
  step: 1 | -1,
  reach: number,
): number | null {
  const s = samples[i];
  for (let n = 1, j = i + step; n <= MOST_SAMPLES; n++, j += step) {
    if (j < 0 || j >= samples.length) return null;
    if (Math.hypot(samples[j].x - s.x, samples[j].y - s.y) >= reach) return j;
  }
  return null;
}

/** How sharp a corner the hand meant at `i`: the turn in radians, or 0 where it is none. */
export function cornerSharpness(samples: readonly InkSample[], i: number): number {
  const whole = turnAt(samples, i, REACH);
  if (whole === null || whole < SHARP) return 0;
  const near = turnAt(samples, i, REACH / 2);
  return near !== null && near >= CONCENTRATED * whole ? whole : 0;
}

/** Whether no sample within the corner's arms is sharper than `i` (ties go to the earliest). */
export function isSharpestNear(
  sharpness: readonly number[],
  samples: readonly InkSample[],
  i: number,
): boolean {
  for (const step of [-1, 1] as const) {
    for (let n = 1, j = i + step; n <= MOST_SAMPLES; n++, j += step) {
      if (j < 0 || j >= sharpness.length) break;
      if (Math.hypot(samples[j].x - samples[i].x, samples[j].y - samples[i].y) > REACH) break;
      if (sharpness[j] > sharpness[i] || (step < 0 && sharpness[j] === sharpness[i])) return false;
    }
  }
  return true;
}
