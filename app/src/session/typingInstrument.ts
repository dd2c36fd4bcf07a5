import { FIRST_ROLL, type TextInstrument } from '@marginalis/core/marks';
import type { DocumentSession } from './documentSession';
import { useSettings } from './settings';

const FIRST_TEXT = FIRST_ROLL[10];

/** The instrument that types: the one in hand, or the first of the roll; that of the first roll where this one has none. */
export function typingInstrument({ hand }: Pick<DocumentSession, 'hand'>): TextInstrument {
  const isText = (one: { kind: string }): one is TextInstrument => one.kind === 'text-box';
  const held = hand.instrument();
  if (isText(held)) return held;
  return useSettings.getState().roll.find(isText) ?? FIRST_TEXT;
}
