import type { Attachment } from '@marginalis/core/document';
import type { DrawerItem } from '@marginalis/core/drawer';
import { create } from 'zustand';
import { dropDrawerItem, keepDrawerItem, readDrawerItems } from '@/storage';

interface DrawerStore {
  /** Null until the drawer has been read. */
  readonly items: readonly DrawerItem[] | null;
  /** When what is kept has been read. */
  ready(): Promise<readonly DrawerItem[]>;
  /** Keeps things on this device, those of the same id in their place. Rejects where there is no room. */
  keep(items: readonly DrawerItem[], attachments?: readonly Attachment[]): Promise<void>;
  remove(item: DrawerItem): Promise<void>;
}

/** One's own things that are used again. They never leave this browser but in what is sent, and in the file of the drawer. */
export const useDrawer = create<DrawerStore>((set, get) => {
  let reading: Promise<readonly DrawerItem[]> | null = null;
  const ready = (): Promise<readonly DrawerItem[]> =>
    (reading ??= readDrawerItems().then((items) => {
      set({ items });
      return items;
    }));
  return {
    items: null,
    ready,
    async keep(kept, attachments = []) {
      await ready();
      for (const [k, item] of kept.entries())
        await keepDrawerItem(item, k === 0 ? attachments : []);
      const ids = new Set(kept.map(({ id }) => id));
      set({ items: [...(get().items ?? []).filter(({ id }) => !ids.has(id)), ...kept] });
    },
    async remove(item) {
      await ready();
      const others = (get().items ?? []).filter(({ id }) => id !== item.id);
      await dropDrawerItem(item, others);
      set({ items: others });
    },
  };
});
