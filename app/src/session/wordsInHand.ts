import type { PageId } from '@marginalis/core/marks';
import type { Print, TextRange } from '@marginalis/core/print';
import { createStore } from 'zustand/vanilla';

/** Words of one page that are selected. */
export interface ChosenPart {
  readonly page: PageId;
  readonly print: Print;
  readonly range: TextRange;
}

/** The printed words that are selected: what is done next is done to them. */
export class WordsInHand {
  readonly store = createStore<{ readonly parts: readonly ChosenPart[] }>(() => ({ parts: [] }));

  /** Page by page, in reading order; none lets go. */
  choose = (parts: readonly ChosenPart[]): void => {
    if (parts.length === 0 && this.store.getState().parts.length === 0) return;
    this.store.setState({ parts });
  };
}
