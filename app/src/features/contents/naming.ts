import { createStore } from 'zustand/vanilla';

/** The bookmark that is being given a name. */
export const naming = createStore<{ readonly id: string | null }>(() => ({ id: null }));
