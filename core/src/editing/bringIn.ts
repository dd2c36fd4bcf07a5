import { type DocState, nextOrder, type Transaction, markChange } from '../document/index.ts';
import type { InkMark } from '../kinds/index.ts';
import type { MarkId } from '../marks/index.ts';

/** Ink from elsewhere, in the user space of its page. */
export type IncomingInk = Pick<InkMark, 'page' | 'style' | 'tool' | 'ink'>;

/** Puts ink from elsewhere on its pages, as one step; null when there is none. */
export function bringInInk(
  state: DocState,
  incoming: readonly IncomingInk[],
  newId: () => MarkId,
  madeAt: number,
): Transaction | null {
  if (incoming.length === 0) return null;
  const orders = new Map<string, number>();
  const changes = incoming.map((ink) => {
    const order = orders.get(ink.page) ?? nextOrder(state, ink.page);
    orders.set(ink.page, order + 1);
    const after: InkMark = { ...ink, kind: 'ink', id: newId(), order, madeAt };
    return markChange(null, after);
  });
  return { label: 'Bring in ink', changes };
}
