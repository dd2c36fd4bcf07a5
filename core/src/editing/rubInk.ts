import { distance, partsOutside, sweepAlong, type Vec } from '../geometry/index.ts';
import { type InkSample, sampleBetween } from '../ink/index.ts';

/**
 * What a round rubber of `radius` points, swept along `sweep`, leaves of a stroke: the runs of its line outside the
 * sweep, in order, cut exactly; new ends get their time, pressure and tilt from the samples beside them. Runs shorter
 * than `inkWidth` are crumbs, and go too. A stroke that is not touched comes back as it is.
 */
export function rubInk(
  samples: readonly InkSample[],
  inkWidth: number,
  sweep: readonly Vec[],
  radius: number,
): InkSample[][] {
  if (samples.length === 0) return [];
  const parts = sweep.length === 0 ? null : partsOutside(samples, sweepAlong(sweep, radius));
  if (!parts) return [[...samples]];
  return parts
    .map(([from, to]) => runOf(samples, from, to))
    .filter((run) => !isShorter(run, inkWidth));
}

/** The samples between two places along the stroke, and one at either end. */
function runOf(samples: readonly InkSample[], from: number, to: number): InkSample[] {
  const at = (place: number): InkSample => {
    const i = Math.floor(place);
    return place === i ? samples[i] : sampleBetween(samples[i], samples[i + 1], place - i);
  };
  return [at(from), ...samples.slice(Math.floor(from) + 1, Math.ceil(to)), at(to)];
}

export function isShorter(line: readonly Vec[], length: number): boolean {
  let sum = 0;
  for (let i = 1; i < line.length; i++) {
    sum += distance(line[i - 1], line[i]);
    if (sum >= length) return false;
  }
  return true;
}
