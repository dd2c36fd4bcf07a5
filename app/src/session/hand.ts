import { FIRST_ROLL, type Instrument } from '@marginalis/core/marks';
import { createStore } from 'zustand/vanilla';
import { useSettings } from './settings';

/** The next touch of a page is for something else than writing. */
export interface AwaitedTouch {
  /** What the person is to do, in words. */
  readonly text: string;
  /** What is done without a touch: for those who do not touch, where a place in sight is as good. */
  here?(): void;
  act(page: Element, at: { readonly clientX: number; readonly clientY: number }): void;
}

export interface HandState {
  /** Id of the instrument in hand. */
  readonly current: string;
  readonly awaited: AwaitedTouch | null;
}

/** What a person holds over one open document: each document has a pen of its own. */
export class Hand {
  readonly store = createStore<HandState>(() => ({
    current: heldLast(),
    awaited: null,
  }));

  choose = (id: string): void => {
    this.store.setState({ current: id });
    useSettings.getState().noteUsed(id);
  };

  /** Takes what another hand holds: a person who goes on in another document writes on with the same pen. */
  takeOver({ store }: Hand): void {
    this.store.setState({ current: store.getState().current });
  }

  /** The instrument in hand; the first of the roll where that one is gone. */
  instrument = (): Instrument => {
    const { roll } = useSettings.getState();
    const { current } = this.store.getState();
    return roll.find(({ id }) => id === current) ?? roll[0];
  };

  /** Has the next touch of a page do something; null calls it off. */
  await = (awaited: AwaitedTouch | null): void => this.store.setState({ awaited });

  /** Whether a touch was awaited; it has done what it was awaited for then. */
  takeTouch(page: Element, at: { readonly clientX: number; readonly clientY: number }): boolean {
    const { awaited } = this.store.getState();
    if (!awaited) return false;
    this.await(null);
    awaited.act(page, at);
    return true;
  }
}

/** The instrument that was in hand last, in whichever document; the first of the roll where that one is gone. */
function heldLast(): string {
  const { roll, used } = useSettings.getState();
  return (roll.find(({ id }) => id === used[0]) ?? roll[0]).id;
}

/** The eraser of the roll, for a stylus turned round. */
export const eraserOfRoll = (): Instrument => {
  const isEraser = ({ kind }: Instrument): boolean => kind === 'eraser';
  return useSettings.getState().roll.find(isEraser) ?? FIRST_ROLL.find(isEraser) ?? FIRST_ROLL[0];
};
