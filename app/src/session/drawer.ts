import type { Attachment } from '@marginalis/core/document';
import type { DrawerItem } from '@marginalis/core/drawer';
import { create } from 'zustand';
import { dropDrawerItem, keepDrawerItems, readDrawerItems } from '@/storage';

interface DrawerStore {
  /** Null until the drawer has been read. */
  readonly items: readonly DrawerItem[] | null;
  /** Reads what is kept: another tab may have put something in. */
  read(): Promise<void>;
  /** Keeps things on this device, those of the same id in their place. Rejects where there is no room. */
  keep(items: readonly DrawerItem[], attachments?: readonly Attachment[]): Promise<void>;
  remove(items: readonly DrawerItem[]): Promise<void>;
}

/** One's own things that are used again. They never leave this browser but in what is sent, and in the file of the drawer. */
export const useDrawer = create<DrawerStore>((set, get) => {
  const read = async (): Promise<void> => set({ items: await readDrawerItems() });
  const without = (gone: readonly DrawerItem[]): readonly DrawerItem[] => {
    const ids = new Set(gone.map(({ id }) => id));
    return (get().items ?? []).filter(({ id }) => !ids.has(id));
  };
  return {
    items: null,
    read,
    async keep(kept, attachments) {
      if (!get().items) await read();
      await keepDrawerItems(kept, attachments);
      set({ items: [...without(kept), ...kept] });
    },
    async remove(gone) {
      if (!get().items) await read();
      const still = without(gone);
      for (const item of gone) await dropDrawerItem(item, still);
      set({ items: still });
    },
  };
});
