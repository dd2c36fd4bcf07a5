import type { Vec } from '@marginalis/core/geometry';
import type { InkSample } from '@marginalis/core/ink';

/** Weighted mean of the neighbours in time with a Gaussian of `sigma` ms; ends use what there is. */
export function gaussian(samples: readonly InkSample[], sigma: number): Vec[] {
  return samples.map((s, i) => {
    let [x, y, all] = [0, 0, 0];
    const add = (q: InkSample): void => {
      const tau = (q.t - s.t) / sigma;
      const w = Math.exp(-0.5 * tau * tau);
      x += w * q.x;
      y += w * q.y;
      all += w;
    };
    for (let j = i; j >= 0 && s.t - samples[j].t <= 4 * sigma; j--) add(samples[j]);
    for (let j = i + 1; j < samples.length && samples[j].t - s.t <= 4 * sigma; j++) add(samples[j]);
    return { x: x / all, y: y / all };
  });
}
