import type { MarkId } from '@marginalis/core/marks';
import { createStore } from 'zustand/vanilla';
import type { Spot } from '@/shell';

export interface EquationAsked {
  /** The equation that is changed; a new one with null. */
  readonly id: MarkId | null;
  /** Where a new one goes; null for the middle of what is in sight. */
  readonly spot: Spot | null;
}

/** What the sheet is open for. */
export const equationAsked = createStore<EquationAsked>(() => ({ id: null, spot: null }));
