import { REFUSALS } from '@marginalis/core/document';
import { createStore } from 'zustand/vanilla';
import { readSource } from '@/storage';
import { startWork } from '@/work';
import { holdPassword, passwordFor } from './passwords';
import { BYTES_GONE } from './pageFile';

/** Files with pages in the open document that are locked, and whose passwords this tab has not been told. */
export class Locks {
  readonly store = createStore<{
    readonly locked: readonly string[];
    /** It is said that there are such pages, until that is put away. */
    readonly isSaid: boolean;
  }>(() => ({ locked: [], isSaid: false }));

  private readonly heard = new Set<(source: string) => void>();

  /** @param onOpened a file can be read now; who subscribes hears it afterwards */
  constructor(private readonly onOpened: (source: string) => void) {}

  subscribe = (hear: (source: string) => void): (() => void) => {
    this.heard.add(hear);
    return () => void this.heard.delete(hear);
  };

  /** A file is locked whose pages are to be seen. */
  found = (source: string): void => {
    const { locked } = this.store.getState();
    if (!locked.includes(source))
      this.store.setState({ locked: [...locked, source], isSaid: true });
  };

  /** Looks which of these files are. */
  look = async (sources: Iterable<string>): Promise<void> => {
    for (const source of sources) {
      const bytes = passwordFor(source) === undefined ? await readSource(source) : null;
      const result = bytes && (await startWork('inspect', { bytes }).result);
      if (!result || result.ok || result.failure.kind !== 'refused') continue;
      if (result.failure.reason === 'locked') this.found(source);
    }
  };

  putAway = (): void => this.store.setState({ isSaid: false });

  /** Opens every file that the password opens. @returns null, or a sentence where it opens none */
  open = async (password: string): Promise<string | null> => {
    let why: string | null = null;
    let opened = 0;
    for (const source of this.store.getState().locked) {
      const bytes = await readSource(source);
      const result = bytes && (await startWork('inspect', { bytes, password }).result);
      if (!result) why = BYTES_GONE;
      else if (result.ok) {
        opened += 1;
        holdPassword(source, password);
        const locked = this.store.getState().locked.filter((one) => one !== source);
        this.store.setState({ locked, isSaid: locked.length > 0 });
        this.onOpened(source);
        for (const hear of this.heard) hear(source);
      } else if (result.failure.kind === 'refused') why = REFUSALS[result.failure.reason];
      else why ??= result.failure.kind === 'stopped' ? 'Stopped.' : result.failure.message;
    }
    return opened > 0 ? null : why;
  };
}
