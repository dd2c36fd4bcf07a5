import { cornerSharpness, isSharpestNear } from './corners.ts';
import type { InkSample } from '../sample.ts';

/** Kernel width at steadiness 100, ms: it all but removes a tremor of 8–12 Hz. */
const WIDEST_SIGMA = 55;
/** The kernel is cut off here, in sigmas. */
const CUT_OFF = 2.5;
/** At most so many samples on either side, whatever the rate. */
const MOST_SAMPLES = 64;

/** Standard deviation of the smoothing kernel in ms for a steadiness of 0–100. */
function sigmaFor(steadiness: number): number {
  const s = Math.min(100, Math.max(0, steadiness)) / 100;
  return WIDEST_SIGMA * s ** 1.5;
}

/**
 * The first version of the smoothing: ink written with it keeps its look.
 * Each sample is moved onto the parabola that fits its neighbours in time best
 * (local quadratic regression with Gaussian weights: Savitzky & Golay's idea for irregular times), which
 * takes noise away without flattening curves. The window shrinks towards ends and corners, so both stay
 * where the pen put them. Order, times and count are kept; steadiness 0 returns the samples as they are.
 */
export function smoothInkOne(samples: readonly InkSample[], steadiness: number): InkSample[] {
  const sigma = sigmaFor(steadiness);
  if (sigma === 0 || samples.length < 3) return [...samples];
  const anchors = anchorsOf(samples);
  let k = 0;
  return samples.map((_, i) => {
    while (k + 1 < anchors.length && anchors[k + 1] <= i) k++;
    const next = anchors[k] === i ? i : anchors[Math.min(k + 1, anchors.length - 1)];
    return smoothedAt(samples, i, anchors[k], next, sigma);
  });
}

/** First sample, corners, last sample. */
function anchorsOf(samples: readonly InkSample[]): number[] {
  const sharpness = samples.map((_, i) => cornerSharpness(samples, i));
  const anchors = [0];
  sharpness.forEach((s, i) => {
    if (s > 0 && isSharpestNear(sharpness, samples, i)) anchors.push(i);
  });
  anchors.push(samples.length - 1);
  return anchors;
}

/** Sample `i` smoothed with a window that is even on both sides and stays within `from`–`to`. */
function smoothedAt(
  samples: readonly InkSample[],
  i: number,
  from: number,
  to: number,
  sigma: number,
): InkSample {
  const s = samples[i];
  const reach = Math.min(CUT_OFF * sigma, s.t - samples[from].t, samples[to].t - s.t);
  let low = i;
  let high = i;
  while (low > from && i - low < MOST_SAMPLES && s.t - samples[low - 1].t <= reach) low--;
  while (high < to && high - i < MOST_SAMPLES && samples[high + 1].t - s.t <= reach) high++;
  if (high - low < 2 || low === i || high === i) return s;

  // Normal equations of the weighted parabola a + bτ + cτ², τ in units of sigma so that they stay well conditioned.
  let w0 = 0,
    w1 = 0,
    w2 = 0,
    w3 = 0,
    w4 = 0;
  let x0 = 0,
    x1 = 0,
    x2 = 0,
    y0 = 0,
    y1 = 0,
    y2 = 0,
    p0 = 0;
  for (let j = low; j <= high; j++) {
    const q = samples[j];
    const tau = (q.t - s.t) / sigma;
    const w = Math.exp(-0.5 * tau * tau);
    const wt = w * tau;
    const wt2 = wt * tau;
    w0 += w;
    w1 += wt;
    w2 += wt2;
    w3 += wt2 * tau;
    w4 += wt2 * tau * tau;
    const dx = q.x - s.x;
    const dy = q.y - s.y;
    x0 += w * dx;
    x1 += wt * dx;
    x2 += wt2 * dx;
    y0 += w * dy;
    y1 += wt * dy;
    y2 += wt2 * dy;
    p0 += w * q.pressure;
  }
  const c0 = w2 * w4 - w3 * w3;
  const c1 = w2 * w3 - w1 * w4;
  const c2 = w1 * w3 - w2 * w2;
  const det = w0 * c0 + w1 * c1 + w2 * c2;
  const pressure = p0 / w0;
  // Too few different times for a parabola: their weighted mean serves.
  if (Math.abs(det) < 1e-9) return { ...s, x: s.x + x0 / w0, y: s.y + y0 / w0, pressure };
  return {
    ...s,
    x: s.x + (x0 * c0 + x1 * c1 + x2 * c2) / det,
    y: s.y + (y0 * c0 + y1 * c1 + y2 * c2) / det,
    pressure,
  };
}
