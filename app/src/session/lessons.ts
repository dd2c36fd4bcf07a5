import { createStore } from 'zustand/vanilla';
import { usePenRoll } from './penRoll';

/** What a person is told once on this device, and what can be done about it. */
export interface Lesson {
  readonly id: string;
  /** One sentence, or two. */
  readonly text: string;
  readonly ways?: readonly { readonly label: string; run(): void }[];
}

/** What is told one at a time, each once for ever. */
export class Lessons {
  readonly store = createStore<{ readonly told: readonly Lesson[] }>(() => ({ told: [] }));

  /** Tells it, after what is being told, unless it has been told on this device. */
  teach = (lesson: Lesson): void => {
    const { told } = this.store.getState();
    if (usePenRoll.getState().taught.includes(lesson.id)) return;
    if (told.some(({ id }) => id === lesson.id)) return;
    this.store.setState({ told: [...told, lesson] });
  };

  /** What is told has been read. */
  close = (): void => {
    const [read, ...told] = this.store.getState().told;
    if (!read) return;
    usePenRoll.getState().noteTaught(read.id);
    this.store.setState({ told });
  };

  /** It is known by now, whether or not it was told. */
  know = (id: string): void => {
    usePenRoll.getState().noteTaught(id);
    const { told } = this.store.getState();
    if (told.some((lesson) => lesson.id === id))
      this.store.setState({ told: told.filter((lesson) => lesson.id !== id) });
  };
}
