import { create } from 'zustand';
import type { DeskDocument } from '@/storage';
import { putBack, removeDocument } from './desk';
import { markInUse } from './inUse';

/** The document taken off the desk last in this tab, which can be put back. */
interface Removal {
  readonly last: DeskDocument | null;
  /** Takes a document off the desk; the one before cannot be put back from here any more. */
  remove(document: DeskDocument): Promise<void>;
  undo(): Promise<void>;
  /** The way back has been offered long enough. */
  forget(): void;
}

let endUse: () => void = () => undefined;

export const useRemoval = create<Removal>((set, get) => ({
  last: null,
  async remove(document) {
    endUse();
    // No other tab drops it while it can be put back here.
    endUse = markInUse(document.id);
    await removeDocument(document.id);
    set({ last: document });
  },
  async undo() {
    const { last } = get();
    if (last) await putBack(last.id);
    get().forget();
  },
  forget() {
    set({ last: null });
    endUse();
    endUse = () => undefined;
  },
}));
