import type { Vec } from '../geometry/index.ts';

/** Pressure of hardware that cannot tell (W3C Pointer Events), and of the first touch. */
export const NO_PRESSURE = 0.5;
/** Speed at which the stand-in for pressure is middling, points a second. */
const MIDDLING_SPEED = 220;
/** The stand-in stays between these: a mouse never presses hard or hovers. */
const LEAST = 0.25;
const MOST = 0.7;
/** How long the speed is averaged over, ms. */
const INERTIA = 60;

/**
 * A stand-in for pressure where the hardware has none: a slow hand leaves more ink than a quick one. Takes the
 * places (points) and times (ms) as they come and gives 0–1.
 */
export function createSpeedPressure(): (place: Vec, t: number) => number {
  let last: (Vec & { t: number }) | null = null;
  let speed = MIDDLING_SPEED;
  return ({ x, y }, t) => {
    if (last && t > last.t) {
      const dt = t - last.t;
      const now = (1000 * Math.hypot(x - last.x, y - last.y)) / dt;
      speed += (now - speed) * (1 - Math.exp(-dt / INERTIA));
    }
    if (!last || t > last.t) last = { x, y, t };
    const share = speed / (speed + MIDDLING_SPEED);
    return Math.min(MOST, Math.max(LEAST, 1 - share));
  };
}
