import type { Dash, Figure } from '../../figures/index.ts';
import type { Vec } from '../../geometry/index.ts';
import type { Inside, MarkBase, MarkId } from '../../marks/index.ts';
import type { InkMark } from '../ink/index.ts';

/** An end of a line that is tied to a mark: where in the box around that it points, from its lower left corner (0, 0) to its upper right (1, 1). */
export interface Tie {
  readonly mark: MarkId;
  readonly at: Vec;
}

/** A geometric figure; `from` is the ink it was tidied from, so that the ink can come back: none when drawn as such. */
export interface FigureMark extends MarkBase {
  readonly kind: 'figure';
  readonly figure: Figure;
  readonly dash: Dash;
  readonly fill: Inside | null;
  readonly from: readonly InkMark[];
  /** A line or an arrow that goes from mark to mark has them: it stays with both. */
  readonly ties?: { readonly from: Tie; readonly to: Tie };
}

/** The mark where it is a figure; null where it is something else. */
export const asFigure = (mark: MarkBase | null): FigureMark | null =>
  mark?.kind === 'figure' ? (mark as FigureMark) : null;

/** The line without its ties. */
export function untied({ ties: _, ...mark }: FigureMark): FigureMark {
  return mark;
}
