import {
  type Box,
  box,
  displayMatrix,
  displaySize,
  growBox,
  type Matrix,
  type PageBox,
  thenMatrix,
  type Tile,
  type Tiling,
  tilesFor,
} from '@marginalis/core/geometry';

/** So many device pixels around what is seen are drawn as well, so that a little panning shows no gaps. */
const AROUND = 256;

/** A page at a scale: device pixels a point. */
export class PagePicture {
  /** Of the whole page, device pixels, not rounded. */
  readonly width: number;
  readonly height: number;

  constructor(
    readonly page: PageBox,
    readonly scale: number,
  ) {
    const { width, height } = displaySize(page);
    this.width = width * scale;
    this.height = height * scale;
  }

  /** The tiles of what is seen and `around` device pixels about it, by key; `seen` in display points of the page. */
  tiles(seen: Box, tiling: Tiling, around = AROUND): Map<string, Tile> {
    const { scale } = this;
    const pixels = box(seen.minX * scale, seen.minY * scale, seen.maxX * scale, seen.maxY * scale);
    const width = Math.max(1, Math.round(this.width));
    const height = Math.max(1, Math.round(this.height));
    const near = growBox(pixels, around);
    return new Map(tilesFor(width, height, near, tiling).map((t) => [t.key, t]));
  }

  /** From user space to the pixels of a tile. */
  matrixFor(tile: Tile): Matrix {
    return thenMatrix(displayMatrix(this.page, this.scale), [1, 0, 0, 1, -tile.x, -tile.y]);
  }

  /** Puts a tile's canvas into its place, in shares of the page, so that it stretches with the page while zooming. */
  place(canvas: HTMLCanvasElement, tile: Tile): void {
    const percent = (part: number, whole: number): string => `${(100 * part) / whole}%`;
    Object.assign(canvas.style, {
      position: 'absolute',
      left: percent(tile.x, this.width),
      top: percent(tile.y, this.height),
      width: percent(tile.width, this.width),
      height: percent(tile.height, this.height),
    });
  }
}

/** Takes a canvas away. Some browsers keep its memory until it is collected, unless it has no size. */
export function dropCanvas(canvas: HTMLCanvasElement): void {
  canvas.remove();
  canvas.width = 0;
  canvas.height = 0;
}
