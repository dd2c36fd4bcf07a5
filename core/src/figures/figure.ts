import type { Vec } from '../geometry/index.ts';

/** A geometric mark, in points, y up; angles in radians, anticlockwise. */
export type Figure =
  | { readonly kind: 'line'; readonly from: Vec; readonly to: Vec }
  /** The head is at `to`; `head` is the length of its barbs. */
  | { readonly kind: 'arrow'; readonly from: Vec; readonly to: Vec; readonly head: number }
  | {
      readonly kind: 'rectangle';
      readonly centre: Vec;
      readonly width: number;
      readonly height: number;
      readonly angle: number;
    }
  | { readonly kind: 'circle'; readonly centre: Vec; readonly radius: number }
  | {
      readonly kind: 'ellipse';
      readonly centre: Vec;
      readonly rx: number;
      readonly ry: number;
      readonly angle: number;
    }
  | { readonly kind: 'triangle'; readonly corners: readonly [Vec, Vec, Vec] };

export type FigureKind = Figure['kind'];

export const FIGURE_KINDS: readonly FigureKind[] = [
  'line',
  'arrow',
  'rectangle',
  'circle',
  'ellipse',
  'triangle',
];

/** What ink was read as, and how surely: confidence 0–1. */
export interface FigureReading {
  readonly kind: FigureKind;
  readonly confidence: number;
  readonly figure: Figure;
  /** The next best readings, best first. */
  readonly others: readonly FigureReading[];
}
