import type { Vec } from '../../geometry/index.ts';
import type { Inside, MarkBase } from '../../marks/index.ts';
import type { TextBlock } from '../../type/index.ts';

/** The line by which a box points at a place. */
export interface Leader {
  /** What it points at, in user space. */
  readonly to: Vec;
  /** Where it bends on its way there; straight with null. */
  readonly bend: Vec | null;
  /** Length of its arrowhead's barbs, points; none with 0. */
  readonly head: number;
}

/** A box of typed text. */
export interface TextMark extends MarkBase {
  readonly kind: 'text';
  /** The upper left corner of the box as it is read, in user space. */
  readonly at: Vec;
  /** The direction lines run in, anticlockwise from the x axis, radians. */
  readonly angle: number;
  /** What it says; its width is that of the lines, within the padding. */
  readonly block: TextBlock;
  /** What the lines take when they are set, points: known beforehand, so that where the box lies is known before its faces are there. */
  readonly height: number;
  /** Between the box and its lines, points. */
  readonly padding: number;
  readonly background: Inside | null;
  /** Of the text's ink; its width is in points. */
  readonly border: number;
  /** A callout has one: it points at a place. */
  readonly leader?: Leader;
}

/** The mark where it is a text box; null where it is something else. */
export const asText = (mark: MarkBase | null): TextMark | null =>
  mark?.kind === 'text' ? (mark as TextMark) : null;
