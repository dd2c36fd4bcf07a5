import { sweepAlong, type Vec } from '../geometry/index.ts';
import { type InkSample, sampleBetween } from '../ink/index.ts';
import { cutLine } from './cutLine.ts';

/**
 * What a round rubber of `radius` points, swept along `sweep`, leaves of a stroke `inkWidth` points wide: the runs of its
 * line whose ink lies outside the sweep, in order, cut exactly; new ends get their time, pressure and tilt from the samples
 * beside them. Runs shorter than `inkWidth` are crumbs, and go too. A stroke that is not touched comes back as it is.
 */
export function rubInk(
  samples: readonly InkSample[],
  inkWidth: number,
  sweep: readonly Vec[],
  radius: number,
): InkSample[][] {
  if (samples.length === 0) return [];
  const half = inkWidth / 2;
  const parts =
    sweep.length === 0 ? null : cutLine(samples, sweepAlong(sweep, radius), inkWidth, () => half);
  return parts ? parts.map(([from, to]) => runOf(samples, from, to)) : [[...samples]];
}

/** The samples between two places along the stroke, and one at either end. */
function runOf(samples: readonly InkSample[], from: number, to: number): InkSample[] {
  const at = (place: number): InkSample => {
    const i = Math.floor(place);
    return place === i ? samples[i] : sampleBetween(samples[i], samples[i + 1], place - i);
  };
  return [at(from), ...samples.slice(Math.floor(from) + 1, Math.ceil(to)), at(to)];
}
