import type { Vec } from '../../geometry/index.ts';
import type { MarkBase } from '../../marks/index.ts';
import type { PrintedLetter, Quad } from '../../print/index.ts';
import type { LetterStyle } from '../../type/index.ts';

/** Print that was changed: what it said, and what stands in its place. The source beneath stays as it is; in copies the old words are gone. */
export interface CorrectionMark extends MarkBase {
  readonly kind: 'correction';
  /** What is printed there. */
  readonly was: string;
  /** Around it. */
  readonly quad: Quad;
  /** What stands there instead; empty where the words are only taken out. */
  readonly says: string;
  readonly look: LetterStyle;
  /** The upper left corner of its line as it is read, in user space, and the direction the line runs in, anticlockwise, radians. */
  readonly at: Vec;
  readonly angle: number;
  /** How far it was moved from where the print stands, along its line and upwards, points; not at all without. */
  readonly shift?: Vec;
  /** How long it is when it is set, points, before it is stretched. */
  readonly width: number;
  /** Its letters are as much wider, or narrower, as this; 1 as their face has them. */
  readonly stretch: number;
  /** The print's own letters, where it is set in them; in a face that ships without. */
  readonly own?: OwnLetters;
  /** The colour of the paper, which hides what is printed; null in copies, where it is gone. */
  readonly paper: string | null;
}

/** Letters of the font that the file carries. */
export interface OwnLetters {
  /** All that are needed, each once. */
  readonly letters: readonly PrintedLetter[];
  /** The baseline lies so far below the head of the line, in sizes of type. */
  readonly drop: number;
  /** They are as much wider, or narrower, as this. */
  readonly stretch: number;
}

/** The mark where it is a correction; null where it is something else. */
export const asCorrection = (mark: MarkBase | null): CorrectionMark | null =>
  mark?.kind === 'correction' ? (mark as CorrectionMark) : null;
