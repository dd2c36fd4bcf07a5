import { type DocState, findMark, type Transaction } from '../document/index.ts';
import type { InkMark, MarkId } from '../marks/index.ts';

/**
 * Gives ink that is written another steadiness; what is seen is derived anew from its samples. Marks that are no
 * ink, and ink that has it already, are left; null when nothing changes.
 */
export function steadyInk(
  state: DocState,
  ids: Iterable<MarkId>,
  steadiness: number,
): Transaction | null {
  const changes = [...new Set(ids)].flatMap((id) => {
    const before = findMark(state, id);
    if (before?.kind !== 'ink' || before.ink.steadiness === steadiness) return [];
    const after: InkMark = { ...before, ink: { ...before.ink, steadiness } };
    return [{ id, before, after }];
  });
  return changes.length === 0 ? null : { label: 'Change steadiness', changes };
}
