import { type DocState, findMark, type Transaction, markChange } from '../document/index.ts';
import { type Mark, type LookChange, kindFor } from '../kinds/index.ts';
import { type MarkId, without } from '../marks/index.ts';
import { changeable } from './carry.ts';

/** What of marks can be changed after the fact; what a mark does not have is left. */
export interface Restyle extends LookChange {
  /** Nobody when empty. */
  readonly author?: string;
}

/** Gives marks another look, whatever they are; null when nothing changes. */
export function restyleMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  restyle: Restyle,
): Transaction | null {
  const changes = changeable(state, ids).flatMap((before) => {
    const after = restyled(before, restyle);
    return JSON.stringify(lookOf(after)) === JSON.stringify(lookOf(before))
      ? []
      : [markChange(before, after)];
  });
  return changes.length === 0 ? null : { label: 'Change the look', changes };
}

function restyled(mark: Mark, { author, ...change }: Restyle): Mark {
  const named = author === undefined ? mark : without(mark, 'author');
  return kindFor(mark).restyle(author ? { ...named, author } : named, change);
}

const lookOf = (mark: Mark): unknown => [mark.author, kindFor(mark).look(mark)];

/** Locks marks, so that they are seen but not changed, or unlocks them; null when they are so already. */
export function lockMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  lock: boolean,
): Transaction | null {
  const changes = [...new Set(ids)].flatMap((id) => {
    const before = findMark(state, id);
    if (!before || Boolean(before.locked) === lock) return [];
    const after: Mark = lock ? { ...before, locked: true } : without(before, 'locked');
    return [markChange(before, after)];
  });
  return changes.length === 0 ? null : { label: lock ? 'Lock' : 'Unlock', changes };
}

/**
 * Gives ink that is written another steadiness; what is seen is derived anew from its samples. Marks that are no
 * ink, are locked, or have it already, are left; null when nothing changes.
 */
export function steadyInk(
  state: DocState,
  ids: Iterable<MarkId>,
  steadiness: number,
): Transaction | null {
  const transaction = restyleMarks(state, ids, { steadiness });
  return transaction && { ...transaction, label: 'Change steadiness' };
}
