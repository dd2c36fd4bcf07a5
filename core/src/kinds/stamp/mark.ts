import type { MarkBase } from '../../marks/index.ts';
import type { ComposedMark } from '../composed.ts';

/** Several marks that are one, put on pages again and again. */
export interface StampMark extends ComposedMark {
  readonly kind: 'stamp';
}

/** The mark where it is a stamp; null where it is something else. */
export const asStamp = (mark: MarkBase | null): StampMark | null =>
  mark?.kind === 'stamp' ? (mark as StampMark) : null;
