import { INSTRUMENTS, type InstrumentKind } from '@marginalis/core/marks';
import type { DocumentSession } from './documentSession';
import { useSettings } from './settings';

/** Takes an instrument of a kind in hand; it comes onto the roll where none of that kind is there. */
export function takeKind({ hand }: Pick<DocumentSession, 'hand'>, kind: InstrumentKind): void {
  const { roll, add } = useSettings.getState();
  const isOne = (one: { readonly kind: string }): boolean => one.kind === kind;
  const held = roll.find(isOne);
  const fresh = INSTRUMENTS.find(isOne);
  if (held) hand.choose(held.id);
  else if (fresh) hand.choose(add(fresh));
}
