import type { MarkBase } from '../../marks/index.ts';

/** Several marks that are one: put on pages again and again, moved and removed as one. */
export interface StampMark extends MarkBase {
  readonly kind: 'stamp';
  /** Of any other kind, in user space, from the lowest to the topmost. */
  readonly parts: readonly MarkBase[];
}

/** The mark where it is a stamp; null where it is something else. */
export const asStamp = (mark: MarkBase | null): StampMark | null =>
  mark?.kind === 'stamp' ? (mark as StampMark) : null;
