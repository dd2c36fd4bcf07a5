import { inkOf } from './offerTidy.ts';
import { type DocState, findMark, type Transaction, markChange } from '../document/index.ts';
import type { Figure } from '../figures/index.ts';
import { type FigureMark, type InkMark, asFigure } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';

/**
 * Turns ink, of one stroke or of several, into the figure it was meant to be, keeping the ink; null when there is no
 * such ink, or some of it is locked. A figure tidied before counts as the ink it came from. The new figure takes the place and the look of the last stroke.
 */
export function tidyMarks(
  state: DocState,
  ids: readonly MarkId[],
  figure: Figure,
): Transaction | null {
  const marks = ids.map((id) => findMark(state, id)).filter((mark) => mark !== null);
  const last = marks[marks.length - 1];
  const from = marks.flatMap(inkOf);
  // A figure drawn outright was never ink.
  const isInk = marks.every((m) => !m.locked && inkOf(m).length > 0);
  if (!last || marks.length < ids.length || !isInk) return null;
  const { id, page, order, style, madeAt, author } = last;
  const look = { dash: 'none', fill: null } as const;
  const signed = author ? { author } : {};
  const base = { kind: 'figure', id, page, order, style, madeAt, ...signed, ...look } as const;
  const after: FigureMark = { ...base, figure, from };
  return {
    label: `Tidy into ${figure.kind}`,
    changes: marks.map((before) => markChange(before, before.id === id ? after : null)),
  };
}

/** Brings back the ink a figure was tidied from; null when there is none, or it is locked. */
export function backToInk(state: DocState, id: MarkId): Transaction | null {
  const before = asFigure(findMark(state, id));
  if (!before || before.locked || before.from.length === 0) return null;
  const { style } = before;
  const inks = before.from.map((ink): InkMark => ({ ...ink, style }));
  return {
    label: 'Back to ink',
    changes: [
      markChange(before, inks.find((ink) => ink.id === id) ?? null),
      ...inks.filter((ink) => ink.id !== id).map((after) => markChange(null, after)),
    ],
  };
}
