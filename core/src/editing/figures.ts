import {
  type DocState,
  findMark,
  nextOrder,
  type Transaction,
  markChange,
} from '../document/index.ts';
import type { Figure } from '../figures/index.ts';
import { type FigureMark, asFigure } from '../kinds/index.ts';
import type { MarkId, MarkStyle, PageId } from '../marks/index.ts';

export interface DrawnOutright {
  readonly id: MarkId;
  readonly page: PageId;
  readonly figure: Figure;
  readonly style: MarkStyle;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Nobody when left out or empty. */
  readonly author?: string;
}

/** Puts a figure on its page. */
export function drawFigure(state: DocState, drawn: DrawnOutright): Transaction {
  const { id, page, figure, style, madeAt, author } = drawn;
  const order = nextOrder(state, page);
  const signed = author ? { author } : {};
  const base = { kind: 'figure', id, page, order, style, madeAt, ...signed } as const;
  const after: FigureMark = { ...base, figure, dash: 'none', fill: null, from: [] };
  return { label: `Draw ${figure.kind}`, changes: [markChange(null, after)] };
}

/** What of a figure can be changed. */
export interface FigurePart {
  readonly figure?: Figure;
  readonly style?: Partial<MarkStyle>;
  readonly dash?: FigureMark['dash'];
  readonly fill?: FigureMark['fill'];
}

/** Changes a figure's shape or look; null when there is no such figure, or it is locked. */
export function changeFigure(state: DocState, id: MarkId, part: FigurePart): Transaction | null {
  const before = asFigure(findMark(state, id));
  if (!before || before.locked) return null;
  const after: FigureMark = { ...before, ...part, style: { ...before.style, ...part.style } };
  return { label: `Change ${before.figure.kind}`, changes: [markChange(before, after)] };
}
