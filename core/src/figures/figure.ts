import type { Vec } from '../geometry/index.ts';

/** Arrowheads of an open figure: the length of the barbs at its end and at its beginning; none when 0 or left out. */
export interface Heads {
  readonly head?: number;
  readonly tail?: number;
}

/** A box that may be turned about its centre; angle in radians, anticlockwise. */
export interface TurnedBox {
  readonly centre: Vec;
  readonly width: number;
  readonly height: number;
  readonly angle: number;
}

/** A geometric mark, in points, y up; angles in radians, anticlockwise. */
export type Figure =
  /** `caps` is the length of the short bars across both ends; none when 0 or left out. */
  | { readonly kind: 'line'; readonly from: Vec; readonly to: Vec; readonly caps?: number }
  /** The head is at `to`; `head` is the length of its barbs, `tail` that of a second head at `from`. */
  | {
      readonly kind: 'arrow';
      readonly from: Vec;
      readonly to: Vec;
      readonly head: number;
      readonly tail?: number;
    }
  | ({ readonly kind: 'polyline'; readonly corners: readonly Vec[] } & Heads)
  /** Part of a circle from the angle `start` on, over `sweep` (negative is clockwise). */
  | ({
      readonly kind: 'arc';
      readonly centre: Vec;
      readonly radius: number;
      readonly start: number;
      readonly sweep: number;
    } & Heads)
  /** One cubic Bézier: its ends and controls. */
  | ({ readonly kind: 'curve'; readonly points: readonly [Vec, Vec, Vec, Vec] } & Heads)
  | { readonly kind: 'circle'; readonly centre: Vec; readonly radius: number }
  | {
      readonly kind: 'ellipse';
      readonly centre: Vec;
      readonly rx: number;
      readonly ry: number;
      readonly angle: number;
    }
  | { readonly kind: 'triangle'; readonly corners: readonly [Vec, Vec, Vec] }
  | ({ readonly kind: 'rectangle' } & TurnedBox)
  | {
      readonly kind: 'square';
      readonly centre: Vec;
      readonly side: number;
      readonly angle: number;
    }
  /** A rhombus; `width` and `height` are its diagonals. */
  | ({ readonly kind: 'diamond' } & TurnedBox)
  | { readonly kind: 'parallelogram'; readonly corners: readonly [Vec, Vec, Vec, Vec] }
  | { readonly kind: 'polygon'; readonly corners: readonly Vec[] }
  /** A polygon with bulging sides. */
  | { readonly kind: 'cloud'; readonly corners: readonly Vec[] }
  /** `tips` points at the distance `outer`, with the corners between at `inner`; the first tip lies at `angle`. */
  | {
      readonly kind: 'star';
      readonly centre: Vec;
      readonly outer: number;
      readonly inner: number;
      readonly angle: number;
      readonly tips: number;
    }
  /** Open from `from` to `to`; the back lies `depth` points to the left of that way (to the right when negative). */
  | {
      readonly kind: 'brace' | 'bracket';
      readonly from: Vec;
      readonly to: Vec;
      readonly depth: number;
    }
  | { readonly kind: 'tick'; readonly corners: readonly [Vec, Vec, Vec] }
  | {
      readonly kind: 'cross';
      readonly first: readonly [Vec, Vec];
      readonly second: readonly [Vec, Vec];
    };

export type FigureKind = Figure['kind'];

/** The figures that ink is read as, but for the cloud, which is looked for apart (`readCloud`). */
export const READ_KINDS = [
  'line',
  'arrow',
  'polyline',
  'arc',
  'curve',
  'circle',
  'ellipse',
  'triangle',
  'rectangle',
  'square',
  'diamond',
  'parallelogram',
  'polygon',
  'star',
  'brace',
  'bracket',
  'tick',
  'cross',
] as const satisfies readonly FigureKind[];

/** What ink was read as, and how surely: confidence 0–1. */
export interface FigureReading {
  readonly kind: FigureKind;
  readonly confidence: number;
  readonly figure: Figure;
  /** The next best readings, best first. */
  readonly others: readonly FigureReading[];
}
