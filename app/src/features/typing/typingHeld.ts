import type { TextMark } from '@marginalis/core/kinds';
import type { DocumentSession } from '@/session';
import { createStore } from 'zustand/vanilla';
import { Typing } from './Typing';

/** The text that is being typed; one at a time, whatever is open. */
export const typingHeld = createStore<{ readonly typing: Typing | null }>(() => ({ typing: null }));

/** Begins to type in a box, which the document has already as `kept`, or not yet; what was typed elsewhere is laid down. */
export function beginTyping(
  session: DocumentSession,
  mark: TextMark,
  kept: TextMark | null,
): Typing {
  typingHeld.getState().typing?.finish();
  const typing = new Typing(session, mark, kept, () => typingHeld.setState({ typing: null }));
  typingHeld.setState({ typing });
  return typing;
}
