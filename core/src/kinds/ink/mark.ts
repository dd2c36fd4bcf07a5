import type { Matrix } from '../../geometry/index.ts';
import type { HandReading, NibManner } from '../../ink/index.ts';
import type { MarkBase } from '../../marks/index.ts';

/** Ink as it was written. Everything visible is derived from it, so that it can be changed later. */
export interface WrittenInk {
  /** Packed; {@link writtenSamples} has them as objects. */
  readonly samples: Float64Array;
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

/** Ink; a highlighter's lies beneath every pen's and is multiplied onto the page. */
export interface InkMark extends MarkBase {
  readonly kind: 'ink';
  readonly tool: 'pen' | 'highlighter';
  readonly ink: WrittenInk;
}

/** The mark where it is ink; null where it is something else. */
export const asInk = (mark: MarkBase | null): InkMark | null =>
  mark?.kind === 'ink' ? (mark as InkMark) : null;
