import type { Dash, Figure } from '../../figures/index.ts';
import type { Inside, MarkBase } from '../../marks/index.ts';
import type { InkMark } from '../ink/index.ts';

/** A geometric figure; `from` is the ink it was tidied from, so that the ink can come back: none when drawn as such. */
export interface FigureMark extends MarkBase {
  readonly kind: 'figure';
  readonly figure: Figure;
  readonly dash: Dash;
  readonly fill: Inside | null;
  readonly from: readonly InkMark[];
}

/** The mark where it is a figure; null where it is something else. */
export const asFigure = (mark: MarkBase | null): FigureMark | null =>
  mark?.kind === 'figure' ? (mark as FigureMark) : null;
