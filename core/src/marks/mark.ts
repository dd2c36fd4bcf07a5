import type { Dash, Figure } from '../figures/index.ts';
import type { Matrix } from '../geometry/index.ts';
import type { HandReading, InkSample, NibManner } from '../ink/index.ts';

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

/** Ink as it was written. Everything visible is derived from it, so that it can be changed later. */
export interface WrittenInk {
  readonly samples: readonly InkSample[];
  /** 0–100. */
  readonly steadiness: number;
  readonly nib: NibManner;
  /** Held to the straight line from its first to its last sample. */
  readonly straight: boolean;
  /** Version of the smoothing this ink was written with; old ink keeps its look. */
  readonly engine: 1 | 2;
  /** The hand as it was read when the ink was written; null for the first engine. */
  readonly hand: HandReading | null;
  /** From where the samples were written to where the ink is now, when it has been moved. */
  readonly place?: Matrix;
}

/**
 * A part of a mark's line that rubbing has left. Places along ink are counted in its samples (2.25 is a quarter of the
 * way from sample 2 to sample 3), along a figure's lines in shares of their length.
 */
export interface Run {
  /** Which of the mark's lines, from 0. */
  readonly line: number;
  readonly from: number;
  readonly to: number;
}

interface MarkBase {
  readonly id: MarkId;
  readonly page: PageId;
  /** Later marks lie above earlier ones of the same layer. */
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

/** Ink; a highlighter's lies beneath every pen's and is multiplied onto the page. */
export interface InkMark extends MarkBase {
  readonly kind: 'ink';
  readonly tool: 'pen' | 'highlighter';
  readonly ink: WrittenInk;
}

/** What the inside of a closed figure is filled with. */
export interface Fill {
  /** `#rrggbb` in sRGB. */
  readonly colour: string;
  /** 0–1, of the mark's own opacity. */
  readonly opacity: number;
}

/** A geometric figure; `from` is the ink it was tidied from, so that the ink can come back: none when drawn as such. */
export interface FigureMark extends MarkBase {
  readonly kind: 'figure';
  readonly figure: Figure;
  readonly dash: Dash;
  readonly fill: Fill | null;
  readonly from: readonly InkMark[];
}

export type Mark = InkMark | FigureMark;

/** Whether a mark belongs to the layer that is multiplied onto the page, beneath the others. */
export const isHighlight = (mark: Mark): boolean =>
  mark.kind === 'ink' && mark.tool === 'highlighter';

/** What a mark need not have. */
type Spare = 'left' | 'group' | 'author' | 'locked';

/** The mark without one of what it need not have. */
export function without(mark: Mark, what: Spare): Mark {
  const copy: { -readonly [K in Spare]?: Mark[K] } & Mark = { ...mark };
  delete copy[what];
  return copy;
}
