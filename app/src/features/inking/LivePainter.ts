import type { Matrix, Path } from '@marginalis/core/geometry';
import {
  centrelineOf,
  type InkSample,
  type LiveInk,
  type Nib,
  outlineInk,
  straightLine,
} from '@marginalis/core/ink';
import type { LiveTiles } from '@/stage';
import type { LaidInk } from './alongPrint';

/** What is being written. */
export interface LiveStroke {
  readonly nib: Nib;
  readonly colour: string;
  readonly straight: boolean;
  /** What of a line of print it lies along, and with which nib; null where it is drawn as it is written. */
  readonly along: LaidInk | null;
  readonly live: LiveInk;
  readonly samples: readonly InkSample[];
  /** Where the pen will be when the frame reaches the eye: only shown, never stored. */
  readonly predicted: readonly InkSample[];
}

/** Settled points drawn again with the next piece, so that pieces join as one curve. */
const OVERLAP = 3;
/** Settled points are drawn so many at a time: most frames then change the tip's canvases only. */
const BATCH = 16;
/** Draws the ink under the pen: each settled piece once, the rest anew, and clears only what it drew. */
export class LivePainter {
  /** Settled points drawn, and the length of line before the overlap with the next piece, points. */
  private drawn = 0;
  private before = 0;

  constructor(private readonly tiles: LiveTiles) {}

  paint(stroke: LiveStroke, matrix: Matrix): void {
    const { tiles } = this;
    tiles.clear('tip');
    if (stroke.along) {
      tiles.clear('settled');
      this.drawn = this.before = 0;
      const { samples, nib } = stroke.along;
      tiles.fill('tip', outlineInk(samples, nib), matrix, stroke.colour);
      return;
    }
    if (stroke.straight) {
      const line = straightLine([...stroke.samples, ...stroke.predicted]);
      tiles.fill('tip', outlineInk(line, stroke.nib), matrix, stroke.colour);
      return;
    }
    const { live } = stroke;
    const count = live.settledCount();
    if (count - this.drawn >= BATCH) {
      const from = Math.max(0, this.drawn - OVERLAP);
      const piece = live.settledFrom(from);
      tiles.fill('settled', this.outline(piece, stroke.nib), matrix, stroke.colour);
      for (let i = from; i < count - OVERLAP; i++) this.before += stepLength(piece, i - from);
      this.drawn = count;
    }
    const tail = live.settledFrom(Math.max(0, this.drawn - OVERLAP));
    const end = live.tail().slice(count > 0 ? 1 : 0);
    const outline = this.outline([...tail, ...end, ...stroke.predicted], stroke.nib);
    tiles.fill('tip', outline, matrix, stroke.colour);
  }

  /** Takes the live ink away; what is painted next is drawn from its beginning. */
  clear(): void {
    this.tiles.clear('settled');
    this.tiles.clear('tip');
    this.drawn = this.before = 0;
  }

  /** A piece's outline; its end is not the stroke's, which is still to come. */
  private outline(points: readonly InkSample[], nib: Nib): Path {
    return outlineInk(centrelineOf(points, false), nib, { before: this.before, after: Infinity });
  }
}

const stepLength = (points: readonly InkSample[], i: number): number =>
  Math.hypot(points[i + 1].x - points[i].x, points[i + 1].y - points[i].y);
