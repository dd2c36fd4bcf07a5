import type { PageId } from '@marginalis/core/marks';
import { createStore } from 'zustand/vanilla';

/** The pages that a dialog is about. */
export const pagesAsked = createStore<{ readonly ids: readonly PageId[] }>(() => ({ ids: [] }));
