import { createStore } from 'zustand/vanilla';
import type { Spot } from '@/shell';

/** Where the stamp that is chosen is to be put; null for the middle of what is in sight. */
export const stampAsked = createStore<{ readonly spot: Spot | null }>(() => ({ spot: null }));
