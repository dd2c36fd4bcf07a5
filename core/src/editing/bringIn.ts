import { type DocState, nextOrder, type Transaction } from '../document/index.ts';
import { quantiseSamples, readHand } from '../ink/index.ts';
import type { InkMark, MarkId, WrittenInk } from '../marks/index.ts';

/** Ink from elsewhere, in the user space of its page. */
export interface IncomingInk extends Pick<InkMark, 'page' | 'style' | 'tool'> {
  readonly ink: Omit<WrittenInk, 'engine' | 'hand'>;
}

/** Puts ink from elsewhere on its pages, as one step; null when there is none. */
export function bringInInk(
  state: DocState,
  incoming: readonly IncomingInk[],
  newId: () => MarkId,
  madeAt: number,
): Transaction | null {
  if (incoming.length === 0) return null;
  const orders = new Map<string, number>();
  const changes = incoming.map(({ page, style, tool, ink }) => {
    const order = orders.get(page) ?? nextOrder(state, page);
    orders.set(page, order + 1);
    const samples = quantiseSamples(ink.samples);
    const after: InkMark = {
      kind: 'ink',
      id: newId(),
      page,
      order,
      style,
      madeAt,
      tool,
      ink: { ...ink, samples, engine: 2, hand: readHand(samples) },
    };
    return { id: after.id, before: null, after };
  });
  return { label: 'Bring in ink', changes };
}
