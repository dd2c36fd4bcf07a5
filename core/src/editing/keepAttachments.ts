import {
  type Change,
  changeOf,
  type DocState,
  type Thread,
  type Transaction,
} from '../document/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';

/** A transaction with what it means for attachments: what nothing carries any more goes with it. The same transaction where that concerns none. */
export function keepAttachments(state: DocState, transaction: Transaction): Transaction {
  if (state.attachments.size === 0) return transaction;
  const left = new Set<string>();
  for (const change of transaction.changes) {
    const after = new Set(carriedAfter(change));
    for (const id of carriedBefore(change)) if (!after.has(id)) left.add(id);
  }
  for (const id of left) if (!state.attachments.has(id)) left.delete(id);
  if (left.size === 0) return transaction;
  for (const id of stillCarried(state, transaction, left)) left.delete(id);
  const changes = [...left].flatMap((id) => {
    const attachment = state.attachments.get(id);
    return attachment ? [changeOf('attachment', attachment, null)] : [];
  });
  return changes.length === 0
    ? transaction
    : { ...transaction, changes: [...transaction.changes, ...changes] };
}

const ofMark = (mark: Mark | null): readonly string[] =>
  (mark && kindFor(mark).attachments?.(mark)) ?? [];

const ofThread = (thread: Thread | null): readonly string[] =>
  thread?.task?.picture === undefined ? [] : [thread.task.picture];

const carriedBefore = (change: Change): readonly string[] =>
  change.part === 'mark'
    ? ofMark(change.before)
    : change.part === 'thread'
      ? ofThread(change.before)
      : [];

const carriedAfter = (change: Change): readonly string[] =>
  change.part === 'mark'
    ? ofMark(change.after)
    : change.part === 'thread'
      ? ofThread(change.after)
      : [];

/** Which of some attachments are carried once all of it is done. */
function stillCarried(
  { marks, threads }: DocState,
  { changes }: Transaction,
  some: ReadonlySet<string>,
): Set<string> {
  const changed = new Set(changes.map(({ part, id }) => `${part} ${id}`));
  const carried = new Set(changes.flatMap(carriedAfter).filter((id) => some.has(id)));
  const note = (ids: readonly string[]): void => {
    for (const id of ids) if (some.has(id)) carried.add(id);
  };
  for (const onPage of marks.values())
    for (const [id, mark] of onPage) if (!changed.has(`mark ${id}`)) note(ofMark(mark));
  for (const [id, thread] of threads) if (!changed.has(`thread ${id}`)) note(ofThread(thread));
  return carried;
}
