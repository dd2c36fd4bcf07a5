/** Steps averaged on either side: at least so many, and at least over so long, ms: two frames of a screen. */
const AROUND = 4;
const AROUND_MS = 34;
const MOST_AROUND = 32;
/** A step so many times the usual one is a pause, not a late report; shorter ones may be a frame's. */
const PAUSE = 3;
const LEAST_PAUSE = 40;
/** No pen is read more often than every so many ms. */
export const LEAST_BEAT = 2;

/** Steps of time between samples, ms, as reported: `steps[i]` leads to sample `i`. */
export function reportedSteps(samples: readonly { readonly t: number }[]): Float64Array {
  const steps = new Float64Array(samples.length);
  for (let i = 1; i < samples.length; i++) steps[i] = Math.max(0, samples[i].t - samples[i - 1].t);
  return steps;
}

/** Whether a step of `ms` is a pause where they usually take `usual`. */
export const isPause = (ms: number, usual: number): boolean =>
  ms > Math.max(LEAST_PAUSE, PAUSE * usual);

/** Whether steps averaged so far, `count` of them over `ms`, are enough on one side. */
export const isEnough = (count: number, ms: number): boolean =>
  count >= MOST_AROUND || (count >= AROUND && ms >= AROUND_MS);

/**
 * The same steps as a sensor with an even beat would have made them. Pens are read at even times, but reports
 * are stamped late, early, with coarse clocks, or all of a frame alike; at speed a wrong stamp is as bad as a
 * wrong place.
 */
export function evenSteps(reported: Float64Array): Float64Array {
  const n = reported.length;
  const usual = n < 2 ? 0 : [...reported.subarray(1)].sort((a, b) => a - b)[(n - 1) >> 1];
  const even = Float64Array.from(reported);
  for (let i = 1; i < n; i++) {
    if (isPause(reported[i], usual)) continue;
    let sum = reported[i];
    let count = 1;
    for (const way of [-1, 1] as const) {
      let ms = 0;
      for (let k = 1; !isEnough(k - 1, ms); k++) {
        const j = i + way * k;
        if (j < 1 || j >= n || isPause(reported[j], usual)) break;
        ms += reported[j];
        count++;
      }
      sum += ms;
    }
    even[i] = Math.max(LEAST_BEAT, sum / count);
  }
  return even;
}
