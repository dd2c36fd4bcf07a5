import type { DocumentSession } from '@/session';
import type { StageController, StagePlace } from '@/stage';
import type { ReactNode } from 'react';
import { createStore } from 'zustand/vanilla';

export type PaneName = 'first' | 'beside';

/** What stands in a pane, once it is open. */
export interface HeldPane {
  readonly session: DocumentSession;
  readonly stage: StageController;
  /** Has content work on what stands in this pane, wherever in the tree it is. */
  around(content: ReactNode): ReactNode;
}

/** What is opened beside the first document. */
export interface Beside {
  /** Null for another place of the first one itself. */
  readonly document: string | null;
  /** Where it is opened; null for where one was in it last. */
  readonly place: StagePlace | null;
}

export interface PanesState {
  readonly beside: Beside | null;
  /** The pane that was touched or focused last: commands, panels and instruments are for it. */
  readonly active: PaneName;
  readonly held: Readonly<Record<PaneName, HeldPane | null>>;
  /** What the first pane has of the width, 0–1. */
  readonly share: number;
}

/** Neither pane has less of the width than this, or more than what that leaves. */
export const LEAST_SHARE = 0.2;

/** The windows onto pages that stand side by side: one, or two. */
export class Panes {
  readonly store = createStore<PanesState>(() => ({
    beside: null,
    active: 'first',
    held: { first: null, beside: null },
    share: 0.5,
  }));

  /** What is opened is gone to as soon as it stands. */
  private isAwaited = false;

  /** Opens something beside the first document. `back` where it only stands there again. */
  open(beside: Beside, back = false): void {
    this.isAwaited = !back;
    // Half the width would show half a page.
    this.store.getState().held.first?.stage.fitAgain();
    this.store.setState({ beside });
  }

  close(): void {
    this.activate('first');
    this.store.setState({ beside: null });
  }

  /** What is in a pane now; gives what takes it out again. */
  enter(name: PaneName, pane: HeldPane): () => void {
    const put = (next: HeldPane | null): void =>
      this.store.setState(({ held }) => ({ held: { ...held, [name]: next } }));
    put(pane);
    if (name === 'beside' && this.isAwaited) this.activate('beside');
    this.isAwaited &&= name === 'first';
    return () => {
      if (this.store.getState().held[name] !== pane) return;
      if (name === 'beside') this.activate('first');
      put(null);
    };
  }

  /** Has everything work on a pane; the instrument in hand stays in hand. */
  activate(name: PaneName): void {
    const { active, held } = this.store.getState();
    const [from, to] = [held[active], held[name]];
    if (name === active || !to) return;
    if (from && from.session !== to.session) to.session.hand.takeOver(from.session.hand);
    this.store.setState({ active: name });
  }

  /** From one pane to the other. */
  swap(): HeldPane | null {
    this.activate(this.store.getState().active === 'first' ? 'beside' : 'first');
    const { held, active } = this.store.getState();
    return held[active];
  }

  divide(share: number): void {
    this.store.setState({ share: Math.min(1 - LEAST_SHARE, Math.max(LEAST_SHARE, share)) });
  }
}
