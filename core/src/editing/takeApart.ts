import { type Change, type DocState, type Transaction, markChange } from '../document/index.ts';
import { type Mark, kindFor } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';
import { changeable } from './carry.ts';

/** Whether rubbing has left more than one piece of a mark. */
export const isInPieces = ({ left }: Mark): boolean => (left?.length ?? 0) > 1;

/**
 * Makes each piece that rubbing has left of marks a mark of its own; null when none is in pieces.
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
  const kind = kindFor(before);
  const pieces = kind.split?.(before, runs) ?? runs.map((run) => ({ ...before, left: [run] }));
  return pieces.map((piece, k) => {
    if (k === 0) return markChange(before, piece);
    // Above the first piece and beneath what lay above the whole.
    return markChange(null, { ...piece, id: newId(), order: before.order + k / runs.length });
  });
}
