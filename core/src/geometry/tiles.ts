import { type Box, box, boxesMeet } from './box.ts';

/** One piece of a page picture; `x`, `y`, `width`, `height` in device pixels of the whole page picture. */
export interface Tile {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A page picture up to this many device pixels is drawn in one piece (32 MB of RGBA at the most). */
export const ONE_PIECE_PIXELS = 8_000_000;
/** Side of a tile when it is not, device pixels. */
export const TILE_SIDE = 1024;

/**
 * The tiles of a page picture of `width` × `height` device pixels that reach into `seen`
 * (the same pixels). One tile covers all when the picture is small enough.
 */
export function tilesFor(width: number, height: number, seen: Box): Tile[] {
  if (width * height <= ONE_PIECE_PIXELS) {
    const whole = box(0, 0, width, height);
    return boxesMeet(whole, seen) ? [{ key: 'whole', x: 0, y: 0, width, height }] : [];
  }
  const tiles: Tile[] = [];
  const firstCol = Math.max(0, Math.floor(seen.minX / TILE_SIDE));
  const firstRow = Math.max(0, Math.floor(seen.minY / TILE_SIDE));
  for (let y = firstRow * TILE_SIDE; y < height && y < seen.maxY; y += TILE_SIDE) {
    for (let x = firstCol * TILE_SIDE; x < width && x < seen.maxX; x += TILE_SIDE) {
      tiles.push({
        key: `${x / TILE_SIDE},${y / TILE_SIDE}`,
        x,
        y,
        width: Math.min(TILE_SIDE, width - x),
        height: Math.min(TILE_SIDE, height - y),
      });
    }
  }
  return tiles;
}
