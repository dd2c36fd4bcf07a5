import {
  type Box,
  box,
  drawPathInto,
  type Matrix,
  type Path,
  pathBounds,
  thenMatrix,
  transformBox,
  uniteBoxes,
} from '@marginalis/core/geometry';
import { liveContext } from './liveContext';

/** Side of a tile, device pixels. A canvas that changes is copied whole to the screen, so it is small. */
const SIDE = 256;
/** Room for antialiasing around what is cleared, pixels. */
const EDGE = 2;

/** How everything that is being drawn is seen, as one. */
export interface LiveLook {
  readonly opacity: number;
  /** Multiplied onto the page, as highlights are. */
  readonly multiplied: boolean;
}

/** `settled` stays while the stroke goes on; `tip` is drawn anew in every frame. */
export type LiveLayer = 'settled' | 'tip';

interface Tile {
  readonly canvas: HTMLCanvasElement;
  readonly x: number;
  readonly y: number;
  /** What has been drawn on, in the tile's own pixels; null when it is blank. */
  drawn: Box | null;
}

/** The window over the pages as small canvases, made where ink first comes, so that a stroke changes few pixels. */
export class LiveTiles {
  private readonly tiles = { settled: new Map<string, Tile>(), tip: new Map<string, Tile>() };
  private width = 0;
  private height = 0;
  private pixelRatio = 1;

  constructor(private readonly holder: HTMLElement) {}

  /** Takes the window's size in CSS pixels; when it is another than before, everything is blank. */
  fit(width: number, height: number, pixelRatio: number): void {
    const w = Math.round(width * pixelRatio);
    const h = Math.round(height * pixelRatio);
    if (w === this.width && h === this.height && pixelRatio === this.pixelRatio) return;
    this.remove();
    Object.assign(this, { width: w, height: h, pixelRatio });
  }

  /** Takes the canvases off the screen. */
  remove(): void {
    for (const layer of Object.values(this.tiles)) {
      for (const { canvas } of layer.values()) canvas.remove();
      layer.clear();
    }
  }

  /** Fills a path; `matrix` leads from the path to the window's device pixels. */
  fill(layer: LiveLayer, path: Path, matrix: Matrix, colour: string): void {
    if (path.verbs.length === 0) return;
    const shape = new Path2D();
    drawPathInto(shape, path);
    const seen = transformBox(matrix, pathBounds(path));
    const part = box(
      Math.max(0, Math.floor(seen.minX) - EDGE),
      Math.max(0, Math.floor(seen.minY) - EDGE),
      Math.min(this.width, Math.ceil(seen.maxX) + EDGE),
      Math.min(this.height, Math.ceil(seen.maxY) + EDGE),
    );
    for (let y = Math.floor(part.minY / SIDE) * SIDE; y < part.maxY; y += SIDE)
      for (let x = Math.floor(part.minX / SIDE) * SIDE; x < part.maxX; x += SIDE) {
        const tile = this.tileAt(layer, x, y);
        const ctx = liveContext(tile.canvas);
        if (!ctx) continue;
        ctx.setTransform(...thenMatrix(matrix, [1, 0, 0, 1, -x, -y]));
        ctx.fillStyle = colour;
        ctx.fill(shape);
        const own = box(part.minX - x, part.minY - y, part.maxX - x, part.maxY - y);
        tile.drawn = tile.drawn ? uniteBoxes(tile.drawn, own) : own;
      }
  }

  /** Makes a layer blank, touching only what was drawn on. */
  clear(layer: LiveLayer): void {
    for (const tile of this.tiles[layer].values()) {
      const { canvas, drawn } = tile;
      if (!drawn) continue;
      const ctx = liveContext(canvas);
      ctx?.setTransform(1, 0, 0, 1, 0, 0);
      ctx?.clearRect(drawn.minX, drawn.minY, drawn.maxX - drawn.minX, drawn.maxY - drawn.minY);
      tile.drawn = null;
    }
  }

  private tileAt(layer: LiveLayer, x: number, y: number): Tile {
    const key = `${x},${y}`;
    const found = this.tiles[layer].get(key);
    if (found) return found;
    const canvas = document.createElement('canvas');
    canvas.width = Math.min(SIDE, this.width - x);
    canvas.height = Math.min(SIDE, this.height - y);
    const css = (pixels: number): string => `${pixels / this.pixelRatio}px`;
    Object.assign(canvas.style, {
      position: 'absolute',
      left: css(x),
      top: css(y),
      width: css(canvas.width),
      height: css(canvas.height),
    });
    this.holder.append(canvas);
    const tile: Tile = { canvas, x, y, drawn: null };
    this.tiles[layer].set(key, tile);
    return tile;
  }
}
