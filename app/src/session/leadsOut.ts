import { createStore } from 'zustand/vanilla';

/** Addresses that the open document leads to: nobody goes there unasked. */
export class LeadsOut {
  readonly store = createStore<{ readonly address: string | null }>(() => ({ address: null }));

  /** Asks whether the person wants to go there. */
  ask = (address: string): void => this.store.setState({ address });

  /** It has been answered. */
  close = (): void => this.store.setState({ address: null });
}
