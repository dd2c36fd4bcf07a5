import { changeOf, type DocState, type Thread, type Transaction } from '../document/index.ts';

/** A transaction with what it means for attachments: what no task carries any more goes with it. The same transaction where that concerns none. */
export function keepAttachments(state: DocState, transaction: Transaction): Transaction {
  if (state.attachments.size === 0) return transaction;
  const left = transaction.changes.flatMap((change) => {
    if (change.part !== 'thread') return [];
    const id = pictureOf(change.before);
    return id !== undefined && id !== pictureOf(change.after) ? [id] : [];
  });
  const changes = left.flatMap((id) => {
    const attachment = state.attachments.get(id);
    return attachment ? [changeOf('attachment', attachment, null)] : [];
  });
  return changes.length === 0
    ? transaction
    : { ...transaction, changes: [...transaction.changes, ...changes] };
}

const pictureOf = (thread: Thread | null): string | undefined => thread?.task?.picture;
