import type { Matrix, Path } from '../../geometry/index.ts';
import type { HandReading, NibManner } from '../../ink/index.ts';
import type { MarkBase } from '../../marks/index.ts';

/** What another program has filled for ink. */
export interface DrawnOutline {
  /** In the space of the samples. */
  readonly outline: Path;
  /** Of the line beneath it, points: as long as the ink is as wide, it is what is seen. */
  readonly width: number;
}

/** Ink as it was written. Everything visible is derived from it, so that it can be changed later. */
export interface WrittenInk {
  /** Packed; {@link writtenSamples} has them as objects. */
  readonly samples: Float64Array;
  /** 0–100. */
  readonly steadiness: number;
  readonly nib: NibManner;
  /** Held to the straight line from its first to its last sample. */
  readonly straight: boolean;
  /** Version of the smoothing this ink was written with; old ink keeps its look. What another program has drawn has 0: its samples are its line. */
  readonly engine: 0 | 1 | 2;
  /** The hand as it was read when the ink was written; null where none was. */
  readonly hand: HandReading | null;
  /** From where the samples were written to where the ink is now, when it has been moved. */
  readonly place?: Matrix;
  /** What another program has filled for it. */
  readonly drawn?: DrawnOutline;
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
