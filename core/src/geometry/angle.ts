/** Degrees as radians. */
export const degrees = (n: number): number => (n * Math.PI) / 180;

/** The multiple of `step` nearest to an angle, when it is within `tolerance` of it; else the angle. Radians. */
export function roundedAngle(angle: number, step: number, tolerance: number): number {
  const nearest = Math.round(angle / step) * step;
  return Math.abs(angle - nearest) < tolerance ? nearest : angle;
}
