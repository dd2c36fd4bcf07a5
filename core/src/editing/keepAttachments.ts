import {
  attachmentsCarried,
  attachmentsOfMark,
  attachmentsOfThread,
  type Change,
  changeOf,
  type DocState,
  type Transaction,
} from '../document/index.ts';

/** A transaction with what it means for attachments: what nothing carries any more goes with it. The same transaction where that concerns none. */
export function keepAttachments(state: DocState, transaction: Transaction): Transaction {
  if (state.attachments.size === 0) return transaction;
  const left = new Set(
    transaction.changes.flatMap((change) => {
      const after = carriedBy(change, 'after');
      return carriedBy(change, 'before').filter((id) => !after.includes(id));
    }),
  );
  if (left.size === 0) return transaction;
  for (const id of stillCarried(state, transaction)) left.delete(id);
  const changes = [...left].flatMap((id) => {
    const attachment = state.attachments.get(id);
    return attachment ? [changeOf('attachment', attachment, null)] : [];
  });
  return changes.length === 0
    ? transaction
    : { ...transaction, changes: [...transaction.changes, ...changes] };
}

/** What a mark or a task carries before a change, or after it. */
function carriedBy(change: Change, when: 'before' | 'after'): readonly string[] {
  if (change.part === 'mark') {
    const mark = change[when];
    return mark ? attachmentsOfMark(mark) : [];
  }
  const thread = change.part === 'thread' ? change[when] : null;
  return thread ? attachmentsOfThread(thread) : [];
}

/** What is carried once all of it is done. */
function stillCarried({ marks, threads }: DocState, { changes }: Transaction): readonly string[] {
  const changed = new Set(changes.map(({ part, id }) => `${part} ${id}`));
  const unchanged = <T>(part: string, all: ReadonlyMap<string, T>): ReadonlyMap<string, T> =>
    new Map([...all].filter(([id]) => !changed.has(`${part} ${id}`)));
  const others = attachmentsCarried({
    marks: new Map([...marks].map(([page, onPage]) => [page, unchanged('mark', onPage)])),
    threads: unchanged('thread', threads),
  });
  return [...others, ...changes.flatMap((change) => carriedBy(change, 'after'))];
}
