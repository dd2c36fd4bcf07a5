import { listMarks, signPlace } from '../derived/index.ts';
import {
  type Change,
  changeOf,
  type DocState,
  findPage,
  markChange,
  markChangesIn,
  type Thread,
  type Transaction,
} from '../document/index.ts';
import { asNote, type NoteMark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';

/**
 * A transaction with what it means for notes: those on marks that it takes off their page stay at the place, each with a sign of its own and the name of
 * what was there; a sign that it takes off takes its note with it. The same transaction where that concerns none.
 */
export function keepNotes(state: DocState, transaction: Transaction): Transaction {
  if (state.threads.size === 0) return transaction;
  const gone = marksGone(transaction);
  if (gone.size === 0) return transaction;
  const changes = [...state.threads.values()]
    .filter(({ mark }) => gone.has(mark))
    .flatMap((thread) => changesFor(state, transaction, thread));
  return changes.length === 0
    ? transaction
    : { ...transaction, changes: [...transaction.changes, ...changes] };
}

/** The marks that a transaction takes off their page without putting them on another. */
function marksGone(transaction: Transaction): Set<MarkId> {
  const changes = markChangesIn(transaction);
  const gone = new Set(changes.filter(({ after }) => !after).map(({ id }) => id));
  for (const { id, after } of changes) if (after) gone.delete(id);
  return gone;
}

function changesFor(state: DocState, { changes }: Transaction, thread: Thread): Change[] {
  if (changes.some(({ part, id }) => part === 'thread' && id === thread.id)) return [];
  const row = listMarks(state).find(({ mark }) => mark.id === thread.mark);
  if (!row) return [];
  const { mark, words } = row;
  const page = findPage(state, mark.page);
  const pageGoes = changes.some(
    ({ part, id, after }) => part === 'page' && id === mark.page && !after,
  );
  if (!page || pageGoes) return [];
  if (asNote(mark)) return [changeOf('thread', thread, null)];
  const { author, madeAt } = thread.remarks[0];
  const sign: NoteMark = {
    kind: 'note',
    id: thread.id,
    page: mark.page,
    order: mark.order,
    style: { ...mark.style, opacity: 1 },
    madeAt,
    ...(author ? { author } : {}),
    at: signPlace(row, page).at,
    quads: [],
    quote: { exact: '', before: '', after: '' },
  };
  const kept = { ...thread, mark: sign.id, was: words.name };
  return [markChange(null, sign), changeOf('thread', thread, kept)];
}
