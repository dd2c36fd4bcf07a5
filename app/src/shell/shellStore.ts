import { createStore, type StoreApi } from 'zustand/vanilla';
import { Panes } from './panes';

/** The dialog asked when somebody leaves while storage refuses changes. */
export const UNKEPT = 'unkept';

export interface ShellState {
  /** The panel that stands at each side. */
  readonly panels: { readonly roll: string | null; readonly margin: string | null };
  /** The panel that was opened last. */
  readonly opened: string | null;
  /** What is shown over everything else. */
  readonly dialog: string | null;
}

/** What is open: one panel a side, one dialog, and what stands beside the document. */
export interface Shell {
  readonly store: StoreApi<ShellState>;
  readonly panes: Panes;
  togglePanel(side: 'roll' | 'margin', id: string): void;
  openPanel(side: 'roll' | 'margin', id: string): void;
  closePanel(side: 'roll' | 'margin'): void;
  isOpen(id: string): boolean;
  openDialog(id: string): void;
  /** Closes a dialog, if it is that one that is open. */
  closeDialog(id: string): void;
  /** Leaves the document; `anyway` without asking about what is not stored. */
  leave(anyway?: boolean): void;
}

/** `beforePanel` is called before the pages get another width. */
export function createShell(leave: (anyway: boolean) => void, beforePanel: () => void): Shell {
  const store = createStore<ShellState>(() => ({
    panels: { roll: null, margin: null },
    opened: null,
    dialog: null,
  }));
  const setPanel = (side: 'roll' | 'margin', id: string | null): void => {
    beforePanel();
    store.setState(({ panels, opened }) => ({
      panels: { ...panels, [side]: id },
      opened: id ?? opened,
    }));
  };
  return {
    store,
    panes: new Panes(),
    togglePanel: (side, id) => setPanel(side, store.getState().panels[side] === id ? null : id),
    openPanel: (side, id) => setPanel(side, id),
    closePanel: (side) => setPanel(side, null),
    isOpen(id) {
      const { panels, dialog } = store.getState();
      return panels.roll === id || panels.margin === id || dialog === id;
    },
    openDialog: (dialog) => store.setState({ dialog }),
    closeDialog(id) {
      if (store.getState().dialog === id) store.setState({ dialog: null });
    },
    leave: (anyway = false) => leave(anyway),
  };
}
