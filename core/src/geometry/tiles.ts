import { type Box, box, boxesMeet } from './box.ts';

/** One piece of a page picture; `x`, `y`, `width`, `height` in device pixels of the whole page picture. */
export interface Tile {
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How a page picture is cut: in one piece up to a size, else into square tiles. */
export interface Tiling {
  /** A picture up to this many device pixels is one tile. */
  readonly onePiece: number;
  /** Side of a tile when it is not, device pixels. */
  readonly side: number;
}

/** For paper, which is drawn once: 32 MB of RGBA in one piece at the most. */
export const PAPER_TILING: Tiling = { onePiece: 8_000_000, side: 1024 };
/** For marks, of which a stroke changes a small part: a canvas that changes is copied whole to the screen. */
export const MARK_TILING: Tiling = { onePiece: 0, side: 256 };

/**
 * The tiles of a page picture of `width` × `height` device pixels that reach into `seen` (the same pixels).
 */
export function tilesFor(width: number, height: number, seen: Box, tiling: Tiling): Tile[] {
  if (width * height <= tiling.onePiece) {
    const whole = box(0, 0, width, height);
    return boxesMeet(whole, seen) ? [{ key: 'whole', x: 0, y: 0, width, height }] : [];
  }
  const { side } = tiling;
  const tiles: Tile[] = [];
  const firstCol = Math.max(0, Math.floor(seen.minX / side));
  const firstRow = Math.max(0, Math.floor(seen.minY / side));
  for (let y = firstRow * side; y < height && y < seen.maxY; y += side) {
    for (let x = firstCol * side; x < width && x < seen.maxX; x += side) {
      tiles.push({
        key: `${x / side},${y / side}`,
        x,
        y,
        width: Math.min(side, width - x),
        height: Math.min(side, height - y),
      });
    }
  }
  return tiles;
}
