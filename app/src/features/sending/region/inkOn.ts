import { applyTransaction, type DocState, markChange } from '@marginalis/core/document';
import { drawInk, type Stroke } from '@marginalis/core/editing';
import type { Mark } from '@marginalis/core/kinds';

/** A document with marks on it that it does not have of its own. */
export function withMarks(document: DocState, marks: readonly Mark[]): DocState {
  if (marks.length === 0) return document;
  const changes = marks.map((mark) => markChange(null, mark));
  const applied = applyTransaction(document, { label: 'Write', changes });
  if (!applied.ok) throw new Error(applied.reason);
  return applied.state;
}

/** The marks with one more, above all that is on the page. */
export function withStroke(
  document: DocState,
  marks: readonly Mark[],
  stroke: Stroke,
): readonly Mark[] {
  const { changes } = drawInk(withMarks(document, marks), stroke);
  return [
    ...marks,
    ...changes.flatMap((change) => (change.part === 'mark' && change.after ? [change.after] : [])),
  ];
}
