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

/** The direction the pen leans in, radians clockwise from the screen's x axis (y down), 0 to 2π; same source. */
export function azimuthOf(tiltX: number, tiltY: number): number {
  if (tiltX === 0 && tiltY === 0) return 0;
  const angle = Math.atan2(Math.tan(tiltY * RADIANS), Math.tan(tiltX * RADIANS));
  return angle < 0 ? angle + 2 * Math.PI : angle;
}

/** Tilts in degrees from altitude and azimuth, the other way; same source. */
export function tiltOf(altitude: number, azimuth: number): { tiltX: number; tiltY: number } {
  const reach = Math.cos(altitude);
  const height = Math.sin(altitude);
  return {
    tiltX: Math.atan2(Math.cos(azimuth) * reach, height) / RADIANS,
    tiltY: Math.atan2(Math.sin(azimuth) * reach, height) / RADIANS,
  };
}
