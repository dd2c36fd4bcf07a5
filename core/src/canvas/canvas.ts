/** A path as a canvas keeps it: what is used of the browser's `Path2D`. */
export interface CanvasPath {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  closePath(): void;
  addPath(path: CanvasPath): void;
}

/** What is used of the browser's 2D context; anything that has it can be painted on. */
export interface Canvas2d {
  readonly canvas: { readonly width: number; readonly height: number };
  fillStyle: unknown;
  globalAlpha: number;
  globalCompositeOperation: string;
  imageSmoothingQuality: 'low' | 'medium' | 'high';
  save(): void;
  restore(): void;
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  fill(path: CanvasPath): void;
  clip(path: CanvasPath): void;
  drawImage(image: unknown, x: number, y: number): void;
  drawImage(image: unknown, x: number, y: number, width: number, height: number): void;
}

/** Makes paths and further canvases where painting happens: in a window, a worker or a program. */
export interface CanvasKit<Context extends Canvas2d> {
  path(): CanvasPath;
  /** An empty canvas, and what it is as a picture; null where there is no room for one. */
  canvas(
    width: number,
    height: number,
  ): { readonly image: unknown; readonly ctx: Context; drop(): void } | null;
}
