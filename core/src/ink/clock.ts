/** Steps averaged on either side. */
const AROUND = 4;
/** A step so many times the usual one is a pause, not a late report. */
const PAUSE = 3;

/** Steps of time between samples, ms, as reported: `steps[i]` leads to sample `i`. */
export function reportedSteps(samples: readonly { readonly t: number }[]): Float64Array {
  const steps = new Float64Array(samples.length);
  for (let i = 1; i < samples.length; i++) steps[i] = Math.max(0, samples[i].t - samples[i - 1].t);
  return steps;
}

/**
 * The same steps as a sensor with an even beat would have made them. Pens are read at even times, but reports
 * are stamped late, early, or with coarse clocks; at speed a wrong stamp is as bad as a wrong place.
 */
export function evenSteps(reported: Float64Array): Float64Array {
  const n = reported.length;
  const usual = n < 2 ? 0 : [...reported.subarray(1)].sort((a, b) => a - b)[(n - 1) >> 1];
  const even = Float64Array.from(reported);
  for (let i = 1; i < n; i++) {
    if (reported[i] > PAUSE * usual) continue;
    let sum = 0;
    let count = 0;
    for (let j = Math.max(1, i - AROUND); j <= Math.min(n - 1, i + AROUND); j++) {
      if (reported[j] > PAUSE * usual) continue;
      sum += reported[j];
      count++;
    }
    even[i] = sum / count;
  }
  return even;
}
