import { type Box, box, type Vec } from '@marginalis/core/geometry';
import { liveContext } from './liveContext';

/** The least side of the canvas, CSS pixels. */
const LEAST_SIDE = 192;
/** How many times as wide as the ring it is at least: room to go about. */
const ROOM = 2;
/** It lies on paper, whatever the theme: dark, with a light line around it that shows it on dark print. */
const COLOUR = '#33466e';
const HALO = 'rgba(255, 255, 255, 0.8)';
/** How wide both are, CSS pixels. */
const LINE = 1;
/** Room for antialiasing, CSS pixels. */
const EDGE = 1;

/**
 * The true size of an instrument under the pointer, as a ring. It goes about on a small canvas, which shows it without
 * the page being laid out anew, and the canvas moves along only when the ring comes to its edge.
 */
export class NibRing {
  private readonly canvas = document.createElement('canvas');
  private side = 0;
  private pixelRatio = 0;
  /** The canvas's upper left corner in the holder, CSS pixels. */
  private corner = { x: 0, y: 0 };
  /** What was drawn on, CSS pixels of the canvas; null when it is not shown. */
  private drawn: Box | null = null;

  constructor(holder: HTMLElement) {
    this.canvas.style.position = 'absolute';
    this.canvas.dataset.layer = 'ring';
    holder.append(this.canvas);
  }

  /** Shows it around a place of the holder, `size` across, CSS pixels. */
  show(centre: Vec, size: number): void {
    const reach = size / 2 + LINE + EDGE;
    this.fit(2 * reach);
    const ctx = this.blank();
    const { side, corner } = this;
    const isNear = ({ x, y }: Vec): boolean =>
      Math.abs(x - corner.x - side / 2) <= side / 2 - reach &&
      Math.abs(y - corner.y - side / 2) <= side / 2 - reach;
    if (!isNear(centre)) {
      // On whole pixels, so that the ring stays sharp.
      this.corner = { x: Math.round(centre.x - side / 2), y: Math.round(centre.y - side / 2) };
      this.canvas.style.transform = `translate(${this.corner.x}px, ${this.corner.y}px)`;
    }
    const [x, y] = [centre.x - this.corner.x, centre.y - this.corner.y];
    this.drawn = box(x - reach, y - reach, x + reach, y + reach);
    if (!ctx) return;
    ctx.lineWidth = LINE;
    for (const [colour, radius] of [
      [HALO, (size + LINE) / 2],
      [COLOUR, (size - LINE) / 2],
    ] as const) {
      ctx.strokeStyle = colour;
      ctx.beginPath();
      ctx.arc(x, y, Math.max(0, radius), 0, 2 * Math.PI);
      ctx.stroke();
    }
  }

  hide(): void {
    if (this.drawn) this.blank();
    this.drawn = null;
  }

  /** Takes the canvas off the screen. */
  remove(): void {
    this.canvas.remove();
  }

  /** Makes the canvas large enough for what is so wide. */
  private fit(width: number): void {
    const pixelRatio = window.devicePixelRatio || 1;
    if (this.side >= ROOM * width && this.pixelRatio === pixelRatio) return;
    const side = Math.max(LEAST_SIDE, Math.ceil(ROOM * width));
    Object.assign(this, { side, pixelRatio, drawn: null, corner: { x: Infinity, y: Infinity } });
    const { canvas } = this;
    canvas.width = canvas.height = Math.round(side * pixelRatio);
    canvas.style.width = canvas.style.height = `${side}px`;
  }

  /** Clears what was drawn; the canvas's own units are CSS pixels afterwards. */
  private blank(): CanvasRenderingContext2D | null {
    const ctx = liveContext(this.canvas);
    ctx?.setTransform(this.pixelRatio, 0, 0, this.pixelRatio, 0, 0);
    if (this.drawn) {
      const { minX, minY, maxX, maxY } = this.drawn;
      ctx?.clearRect(minX, minY, maxX - minX, maxY - minY);
    }
    return ctx;
  }
}
