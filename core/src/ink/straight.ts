import type { InkSample } from './sample.ts';
import { NO_PRESSURE } from './speedPressure.ts';

/** Lines that lean less than this are meant level, or upright: 4°. */
const LEAN = Math.tan((4 * Math.PI) / 180);

/** The line a stroke is held to: from its first to its last sample, level or upright when it nearly is; even pressure. */
export function straightLine(samples: readonly InkSample[]): InkSample[] {
  if (samples.length === 0) return [];
  const from = samples[0];
  const to = samples[samples.length - 1];
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const x = Math.abs(dx) < LEAN * Math.abs(dy) ? from.x : to.x;
  const y = Math.abs(dy) < LEAN * Math.abs(dx) ? from.y : to.y;
  const pressure = NO_PRESSURE;
  const start = { ...from, pressure };
  return x === from.x && y === from.y ? [start] : [start, { ...to, x, y, pressure }];
}
