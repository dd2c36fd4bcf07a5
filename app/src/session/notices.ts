import type { Keeper } from './keeper';
import type { Remedy, SessionStore, Task, Undoable } from './sessionState';
import type { StrokeInHand } from './strokeInHand';

/** What a person is told of their document. */
export class Notices {
  constructor(
    private readonly store: SessionStore,
    private readonly keeper: () => Pick<Keeper, 'waits' | 'isWriting' | 'isRefused'>,
    private readonly stroke: () => Pick<StrokeInHand, 'isBusy'>,
  ) {}

  /** What is not in the journal yet is not said to be kept, ink under the pen least of all. */
  saving = (): void => {
    const { waits, isWriting, isRefused } = this.keeper();
    const isBusy = this.stroke().isBusy || (waits > 0 && isWriting);
    const saving = isBusy ? 'keeping' : waits > 0 ? 'unkept' : 'kept';
    const refused = isRefused && waits > 0;
    const said = this.store.getState();
    // The interface is told only what it has not been told.
    if (said.saving !== saving || said.refused !== refused)
      this.store.setState({ saving, refused });
  };

  /** Says what went wrong, and what can be done about it, until it is put away. */
  tell = (trouble: string, remedy: Remedy | null = null): void =>
    this.store.setState({ trouble, remedy });

  forgetTrouble = (): void => this.store.setState({ trouble: null, remedy: null });

  /** Says what was done, with the way back; null when it has been read. */
  offerUndo = (undoable: Undoable | null): void => this.store.setState({ undoable });

  setTask = (task: Task | null): void => this.store.setState({ task });
}
