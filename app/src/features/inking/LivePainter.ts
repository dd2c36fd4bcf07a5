import {
  drawPathInto,
  type Matrix,
  type Path,
  pathBounds,
  transformBox,
} from '@marginalis/core/geometry';
import {
  centrelineOf,
  type InkSample,
  type LiveInk,
  type Nib,
  outlineInk,
  straightLine,
} from '@marginalis/core/ink';

/** Where live ink is drawn: settled pieces stay, the end towards the pen is drawn anew each time. */
export interface LiveCanvases {
  /** Holds both; takes the ink's opacity and blending, so that overlaps never darken. */
  readonly group: HTMLElement;
  readonly settled: HTMLCanvasElement;
  readonly tip: HTMLCanvasElement;
}

/** What is being written. */
export interface LiveStroke {
  readonly nib: Nib;
  readonly colour: string;
  readonly straight: boolean;
  readonly live: LiveInk;
  readonly samples: readonly InkSample[];
  /** Where the pen will be when the frame reaches the eye: only shown, never stored. */
  readonly predicted: readonly InkSample[];
}

/** Settled points drawn again with the next piece, so that pieces join as one curve. */
const OVERLAP = 3;
/** Settled points are drawn so many at a time: a canvas that changes is copied whole to the screen. */
const BATCH = 16;
/** Room for antialiasing around what is cleared, pixels. */
const EDGE = 2;

/** Part of a canvas in its own pixels. */
interface Part {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Draws the ink under the pen: each settled piece once, the rest anew, and clears only what it drew. */
export class LivePainter {
  /** Settled points drawn, and the length of line before the overlap with the next piece, points. */
  private drawn = 0;
  private before = 0;
  private tipPart: Part | null = null;
  private dirty = false;

  constructor(private readonly canvases: LiveCanvases) {}

  paint(stroke: LiveStroke, matrix: Matrix): void {
    this.clearTip();
    this.dirty = true;
    if (stroke.straight) {
      const line = straightLine([...stroke.samples, ...stroke.predicted]);
      this.tipPart = this.fill(this.canvases.tip, stroke, outlineInk(line, stroke.nib), matrix);
      return;
    }
    const { live } = stroke;
    const count = live.settledCount();
    if (count - this.drawn >= BATCH) {
      const from = Math.max(0, this.drawn - OVERLAP);
      const piece = live.settledFrom(from);
      this.fill(this.canvases.settled, stroke, this.outline(piece, stroke.nib), matrix);
      for (let i = from; i < count - OVERLAP; i++) this.before += stepLength(piece, i - from);
      this.drawn = count;
    }
    const tail = live.settledFrom(Math.max(0, this.drawn - OVERLAP));
    const end = live.tail().slice(count > 0 ? 1 : 0);
    const outline = this.outline([...tail, ...end, ...stroke.predicted], stroke.nib);
    this.tipPart = this.fill(this.canvases.tip, stroke, outline, matrix);
  }

  /** The camera moved under the pen: everything will be drawn anew. */
  restart(): void {
    this.wipe(this.canvases.settled);
    this.wipe(this.canvases.tip);
    this.drawn = this.before = 0;
    this.tipPart = null;
  }

  /** Takes the live ink away. */
  clear(): void {
    if (this.dirty) this.restart();
    this.dirty = false;
  }

  /** A piece's outline; its end is not the stroke's, which is still to come. */
  private outline(points: readonly InkSample[], nib: Nib): Path {
    return outlineInk(centrelineOf(points, false), nib, { before: this.before, after: Infinity });
  }

  private fill(
    canvas: HTMLCanvasElement,
    stroke: LiveStroke,
    path: Path,
    matrix: Matrix,
  ): Part | null {
    const ctx = contextOf(canvas);
    if (!ctx || path.verbs.length === 0) return null;
    ctx.setTransform(...matrix);
    ctx.fillStyle = stroke.colour;
    ctx.beginPath();
    drawPathInto(ctx, path);
    ctx.fill();
    const seen = transformBox(matrix, pathBounds(path));
    const x = Math.floor(seen.minX) - EDGE;
    const y = Math.floor(seen.minY) - EDGE;
    return {
      x,
      y,
      width: Math.ceil(seen.maxX) + EDGE - x,
      height: Math.ceil(seen.maxY) + EDGE - y,
    };
  }

  private clearTip(): void {
    const { tipPart } = this;
    const ctx = contextOf(this.canvases.tip);
    if (!ctx || !tipPart) return;
    ctx.setTransform(1, 0, 0, 1, 0, 0);
    ctx.clearRect(tipPart.x, tipPart.y, tipPart.width, tipPart.height);
    this.tipPart = null;
  }

  private wipe(canvas: HTMLCanvasElement): void {
    const ctx = contextOf(canvas);
    ctx?.setTransform(1, 0, 0, 1, 0, 0);
    ctx?.clearRect(0, 0, canvas.width, canvas.height);
  }
}

/** Desynchronised where the browser has it: the ink need not wait for the page around it. */
const contextOf = (canvas: HTMLCanvasElement): CanvasRenderingContext2D | null =>
  canvas.getContext('2d', { desynchronized: true });

const stepLength = (points: readonly InkSample[], i: number): number =>
  Math.hypot(points[i + 1].x - points[i].x, points[i + 1].y - points[i].y);
