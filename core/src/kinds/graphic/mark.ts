import type { Matrix } from '../../geometry/index.ts';
import type { Graphic } from '../../graphics/index.ts';
import type { MarkBase } from '../../marks/index.ts';

/** A drawing made of outlines, put on a page. */
export interface GraphicMark extends MarkBase {
  readonly kind: 'graphic';
  readonly graphic: Graphic;
  /** Carries the unit square (0,0)–(1,1), y up, to where it lies in user space. */
  readonly place: Matrix;
  /** What is to be seen on it, for those who do not see it; empty where nobody has said so. */
  readonly says: string;
}

/** The mark where it is a graphic; null where it is something else. */
export const asGraphic = (mark: MarkBase | null): GraphicMark | null =>
  mark?.kind === 'graphic' ? (mark as GraphicMark) : null;
