import { type DocState, findMark, type Transaction } from '../document/index.ts';
import type { Figure } from '../figures/index.ts';
import type { FigureMark, InkMark, MarkId } from '../marks/index.ts';

/** Turns ink into the figure it was meant to be, keeping the ink; null when there is no such ink. */
export function tidyMark(state: DocState, id: MarkId, figure: Figure): Transaction | null {
  const before = findMark(state, id);
  if (before?.kind !== 'ink') return null;
  const { page, order, style, madeAt, ink } = before;
  const after: FigureMark = { kind: 'figure', id, page, order, style, madeAt, figure, ink };
  return { label: `Tidy into ${figure.kind}`, changes: [{ id, before, after }] };
}

/** Brings back the ink a figure was tidied from; null when there is none. */
export function backToInk(state: DocState, id: MarkId): Transaction | null {
  const before = findMark(state, id);
  if (before?.kind !== 'figure' || !before.ink) return null;
  const { page, order, style, madeAt, ink } = before;
  const after: InkMark = { kind: 'ink', id, page, order, style, madeAt, tool: 'pen', ink };
  return { label: 'Back to ink', changes: [{ id, before, after }] };
}
