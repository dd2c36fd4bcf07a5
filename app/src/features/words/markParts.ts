import { applyTransaction, type Change } from '@marginalis/core/document';
import { markWords } from '@marginalis/core/editing';
import type { WordMarker } from '@marginalis/core/marks';
import { type ChosenPart, type DocumentSession, useSettings } from '@/session';

/** Marks words of one page or several as one step. */
export function markParts(
  session: DocumentSession,
  marker: WordMarker,
  parts: readonly ChosenPart[],
): void {
  const { author } = useSettings.getState();
  const changes: Change[] = [];
  let state = session.store.getState().document;
  for (const { page, print, range } of parts) {
    const id = crypto.randomUUID();
    const marking = { id, page, marker, print, range, madeAt: Date.now(), author };
    const transaction = markWords(state, marking);
    if (!transaction) continue;
    const applied = applyTransaction(state, transaction);
    if (!applied.ok) continue;
    state = applied.state;
    changes.push(...transaction.changes);
  }
  if (changes.length > 0) session.dispatch({ label: 'Mark words', changes });
}
