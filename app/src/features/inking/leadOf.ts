import { distance } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';

/** How far back one looks for how fast a pen is, ms. */
const RECENT = 20;

/**
 * Of where a pen is expected to be next, what may be shown: no farther ahead than it came in the last moment, so that
 * ink never runs ahead of a pen that rests or turns.
 */
export function leadOf(
  samples: readonly InkSample[],
  predicted: readonly InkSample[],
): readonly InkSample[] {
  const last = samples.at(-1);
  if (!last) return [];
  let i = samples.length - 1;
  while (i > 0 && last.t - samples[i - 1].t <= RECENT) i--;
  const came = distance(samples[i], last);
  const ahead = predicted.findIndex((p) => distance(last, p) > came);
  return ahead < 0 ? predicted : predicted.slice(0, ahead);
}
