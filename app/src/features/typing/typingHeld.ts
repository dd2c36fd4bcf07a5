import { createStore } from 'zustand/vanilla';
import type { Typing } from './Typing';

/** The text that is being typed; one at a time, whatever is open. */
export const typingHeld = createStore<{ readonly typing: Typing | null }>(() => ({ typing: null }));
