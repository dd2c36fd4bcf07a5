import type { Vec } from '../../geometry/index.ts';
import type { MarkBase } from '../../marks/index.ts';
import type { Quad, Quote } from '../../print/index.ts';

/** Where a note belongs, when it belongs to no other mark: to words, to a place or to an area. What it says is a thread (`document/parts`). */
export interface NoteMark extends MarkBase {
  readonly kind: 'note';
  /** The place, in user space; of words where they begin. */
  readonly at: Vec;
  /** The corners of an area, the first of them its place. */
  readonly area?: readonly [Vec, Vec, Vec, Vec];
  /** Around the words, line by line; none of a place or an area. */
  readonly quads: readonly Quad[];
  /** The words, so that they are found again; says nothing of a place. */
  readonly quote: Quote;
}

/** The mark where it is a note's; null where it is something else. */
export const asNote = (mark: MarkBase | null): NoteMark | null =>
  mark?.kind === 'note' ? (mark as NoteMark) : null;
