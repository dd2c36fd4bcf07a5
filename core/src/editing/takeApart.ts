import type { Change, DocState, Transaction } from '../document/index.ts';
import type { Mark, MarkId } from '../marks/index.ts';
import { changeable } from './carry.ts';

/** Whether rubbing has left more than one piece of a mark. */
export const isInPieces = ({ left }: Mark): boolean => (left?.length ?? 0) > 1;

/**
 * Makes each piece that rubbing has left of marks a mark of its own; null when none is in pieces. The ink a figure was
 * tidied from belongs to the whole figure, and the inside stays with its first piece.
 */
export function takeApart(
  state: DocState,
  ids: Iterable<MarkId>,
  newId: () => MarkId,
): Transaction | null {
  const changes = changeable(state, ids)
    .filter(isInPieces)
    .flatMap((before) => changesFor(before, newId));
  return changes.length === 0 ? null : { label: 'Take the pieces apart', changes };
}

function changesFor(before: Mark, newId: () => MarkId): Change[] {
  const runs = before.left ?? [];
  return runs.map((run, k): Change => {
    const bare: Mark = before.kind === 'figure' ? { ...before, from: [] } : before;
    const piece: Mark = { ...bare, left: [run] };
    if (k === 0) return { id: before.id, before, after: piece };
    const id = newId();
    // Above the first piece and beneath what lay above the whole.
    const other = { ...piece, id, order: before.order + k / runs.length } as Mark;
    return {
      id,
      before: null,
      after: other.kind === 'figure' ? { ...other, fill: null } : other,
    };
  });
}
