/** One reading of the pen: x, y in points (y up), t in ms, pressure 0–1, tilt in degrees as Pointer Events give it. */
export interface InkSample {
  readonly x: number;
  readonly y: number;
  readonly t: number;
  readonly pressure: number;
  readonly tiltX?: number;
  readonly tiltY?: number;
}

/** Steps of the stored grid: 1/100 point, 1 ms, 1/1023 of full pressure, 1 degree of tilt. */
export const GRID = { perPoint: 100, perMs: 1, pressure: 1023 } as const;

/** Puts samples on the stored grid, with time counted from the first and never running backwards. */
export function quantiseSamples(samples: readonly InkSample[]): InkSample[] {
  const start = samples.length > 0 ? samples[0].t : 0;
  let latest = 0;
  return samples.map((s) => {
    latest = Math.max(latest, Math.round(s.t - start));
    const pressure = Math.min(1, Math.max(0, s.pressure));
    const kept = {
      x: Math.round(s.x * GRID.perPoint) / GRID.perPoint,
      y: Math.round(s.y * GRID.perPoint) / GRID.perPoint,
      t: latest,
      pressure: Math.round(pressure * GRID.pressure) / GRID.pressure,
    };
    if (s.tiltX === undefined && s.tiltY === undefined) return kept;
    return { ...kept, tiltX: Math.round(s.tiltX ?? 0), tiltY: Math.round(s.tiltY ?? 0) };
  });
}
