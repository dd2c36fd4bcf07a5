import { type Matrix, mapSize } from '../geometry/index.ts';

export type MarkId = string;
export type PageId = string;

/** How a mark looks. */
export interface MarkStyle {
  /** `#rrggbb` in sRGB. */
  readonly colour: string;
  /** Width at middling pressure, points. */
  readonly width: number;
  /** 0–1. */
  readonly opacity: number;
}

/** What the inside of a mark is filled with. */
export interface Inside {
  /** `#rrggbb` in sRGB. */
  readonly colour: string;
  /** 0–1, of the mark's own opacity. */
  readonly opacity: number;
}

/**
 * A part of a mark's line that rubbing has left. Places are counted along the line as its kind says: along ink in its
 * samples (2.25 is a quarter of the way from sample 2 to sample 3), along a figure's lines in shares of their length.
 */
export interface Run {
  /** Which of the mark's lines, from 0. */
  readonly line: number;
  readonly from: number;
  readonly to: number;
}

/** What all marks share, whatever their kind. */
export interface MarkBase {
  readonly kind: string;
  readonly id: MarkId;
  readonly page: PageId;
  /** Later marks lie above earlier ones of the same plane. */
  readonly order: number;
  readonly style: MarkStyle;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** What rubbing has left of the mark's lines, in order; nothing is said while all of them are there. */
  readonly left?: readonly Run[];
  /** Marks of one group are picked together. */
  readonly group?: string;
  /** Who made it, where somebody has said so. */
  readonly author?: string;
  /** Can be seen, not changed. */
  readonly locked?: true;
}

/** What a mark need not have. */
type Spare = 'left' | 'group' | 'author' | 'locked';

/** The mark without one of what it need not have. */
export function without<M extends MarkBase>(mark: M, what: Spare): M {
  const copy: { -readonly [K in Spare]?: MarkBase[K] } & M = { ...mark };
  delete copy[what];
  return copy;
}

/** A style whose lines grow with what is carried. */
export const widened = (style: MarkStyle, by: Matrix): MarkStyle => ({
  ...style,
  width: style.width * mapSize(by),
});
