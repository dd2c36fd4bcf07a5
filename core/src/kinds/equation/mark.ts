import type { EquationOutline } from '../../equations/index.ts';
import type { Matrix } from '../../geometry/index.ts';
import type { MarkBase } from '../../marks/index.ts';

/** An equation, typed in TeX. */
export interface EquationMark extends MarkBase {
  readonly kind: 'equation';
  readonly tex: string;
  /** How it was set when it was typed: that is kept, so that it stays as it is. */
  readonly outline: EquationOutline;
  /** From ems, at the left end of its baseline and y up, to user space. */
  readonly place: Matrix;
}

/** The mark where it is an equation; null where it is something else. */
export const asEquation = (mark: MarkBase | null): EquationMark | null =>
  mark?.kind === 'equation' ? (mark as EquationMark) : null;
