import type { PageId } from '@marginalis/core/marks';
import type { Print, TextRange } from '@marginalis/core/print';
import { createStore } from 'zustand/vanilla';

/** Words of one page that are selected. */
export interface ChosenPart {
  readonly page: PageId;
  readonly print: Print;
  readonly range: TextRange;
}

/** A place in the text of a page, from 0. */
export interface WordEnd {
  readonly page: number;
  readonly place: number;
}

/** A selection made by the keyboard: where it was begun, and where the caret is. */
export interface TypedSelection {
  readonly anchor: WordEnd;
  readonly caret: WordEnd;
}

export interface WordsState {
  readonly parts: readonly ChosenPart[];
  /** One of its ends is being dragged. */
  readonly changing: boolean;
  /** Null where a pointer made it. */
  readonly typed: TypedSelection | null;
}

/** The printed words that are selected: what is done next is done to them. */
export class WordsInHand {
  readonly store = createStore<WordsState>(() => ({ parts: [], changing: false, typed: null }));

  /** Page by page, in reading order; none lets go. */
  choose = (parts: readonly ChosenPart[]): void => {
    if (parts.length === 0 && this.store.getState().parts.length === 0) return;
    this.store.setState({ parts, changing: false, typed: null });
  };

  /** The same while one of its ends is dragged: nothing is offered meanwhile. */
  change = (parts: readonly ChosenPart[], changing: boolean): void =>
    this.store.setState({ parts, changing, typed: null });

  /** The same by the keyboard. */
  type = (parts: readonly ChosenPart[], typed: TypedSelection): void =>
    this.store.setState({ parts, changing: false, typed });
}
