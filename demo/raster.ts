/** A grey picture, one byte a pixel, 255 white, row by row from the top. */
export interface Raster {
  readonly width: number;
  readonly height: number;
  readonly pixels: Uint8Array;
}

export type Ring = readonly (readonly [number, number])[];

const SUB = 4;

/**
 * Fills rings (pixel coordinates, y down, non-zero rule) with `grey`, four scan lines a pixel.
 * Written out here because the same bytes must come from every machine.
 */
export function fillRings(raster: Raster, rings: readonly Ring[], grey: number): void {
  const ys = rings.flatMap((r) => r.map(([, y]) => y));
  const top = Math.max(0, Math.floor(Math.min(...ys)));
  const bottom = Math.min(raster.height - 1, Math.ceil(Math.max(...ys)));
  const cover = new Float64Array(raster.width + 1);
  for (let row = top; row <= bottom; row++) {
    cover.fill(0);
    for (let s = 0; s < SUB; s++) spanCover(cover, rings, row + (s + 0.5) / SUB, raster.width);
    for (let x = 0; x < raster.width; x++) {
      const share = Math.min(1, cover[x] / SUB);
      const at = row * raster.width + x;
      if (share > 0) raster.pixels[at] = Math.round(raster.pixels[at] * (1 - share) + grey * share);
    }
  }
}

function spanCover(cover: Float64Array, rings: readonly Ring[], y: number, width: number): void {
  const crossings: [number, number][] = [];
  for (const ring of rings)
    ring.forEach(([x0, y0], i) => {
      const [x1, y1] = ring[(i + 1) % ring.length];
      if (y0 <= y !== y1 <= y)
        crossings.push([x0 + ((y - y0) * (x1 - x0)) / (y1 - y0), y1 > y0 ? 1 : -1]);
    });
  crossings.sort((a, b) => a[0] - b[0]);
  let winding = 0;
  crossings.forEach(([x, turn], i) => {
    winding += turn;
    if (winding === 0 || i + 1 >= crossings.length) return;
    const from = Math.max(0, x);
    const to = Math.min(width, crossings[i + 1][0]);
    for (let px = Math.floor(from); px < to; px++)
      cover[px] += Math.max(0, Math.min(px + 1, to) - Math.max(px, from));
  });
}
