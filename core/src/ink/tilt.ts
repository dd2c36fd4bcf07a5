/** Degrees to radians. */
const RADIANS = Math.PI / 180;

/**
 * The angle between the pen and the paper, radians: π/2 upright, 0 lying flat; from Pointer Events' tilts in
 * degrees (−90 to 90). Formula of W3C Pointer Events 3, "Converting between tiltX/tiltY and altitudeAngle/azimuthAngle".
 */
export function altitudeOf(tiltX: number, tiltY: number): number {
  if (Math.abs(tiltX) >= 90 || Math.abs(tiltY) >= 90) return 0;
  const tx = Math.tan(tiltX * RADIANS);
  const ty = Math.tan(tiltY * RADIANS);
  return Math.atan(1 / Math.sqrt(tx * tx + ty * ty));
}
