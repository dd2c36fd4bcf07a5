import { createStore } from 'zustand/vanilla';
import { useSettings } from './settings';

/** What a person is told once on this device, and what can be done about it. */
export interface Hint {
  readonly id: string;
  /** One sentence, or two. */
  readonly text: string;
  readonly ways?: readonly { readonly label: string; run(): void }[];
}

/** What is told one at a time, each once for ever. */
export class Hints {
  readonly store = createStore<{ readonly told: readonly Hint[] }>(() => ({ told: [] }));

  /** Tells it, after what is being told, unless it has been told on this device. */
  teach = (hint: Hint): void => {
    const { told } = this.store.getState();
    if (useSettings.getState().taught.includes(hint.id)) return;
    if (told.some(({ id }) => id === hint.id)) return;
    this.store.setState({ told: [...told, hint] });
  };

  /** What is told has been read. */
  close = (): void => {
    const [read, ...told] = this.store.getState().told;
    if (!read) return;
    useSettings.getState().noteTaught(read.id);
    this.store.setState({ told });
  };

  /** It is known by now, whether or not it was told. */
  know = (id: string): void => {
    useSettings.getState().noteTaught(id);
    const { told } = this.store.getState();
    if (told.some((hint) => hint.id === id))
      this.store.setState({ told: told.filter((hint) => hint.id !== id) });
  };
}
