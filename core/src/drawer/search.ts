import type { DrawerItem } from './item.ts';

export interface DrawerSearch {
  /** Words of its name or its folder's; everything when empty. */
  readonly term: string;
  /** Only what lies there; everywhere with null. */
  readonly folder: string | null;
  /** As they were put by hand, or what was used last first. */
  readonly by: 'hand' | 'use';
}

/** Without case and accents. */
const folded = (text: string): string =>
  text.normalize('NFD').replace(/\p{M}/gu, '').toLocaleLowerCase();

/** What of the drawer is looked for, in order. */
export function searchDrawer(
  items: readonly DrawerItem[],
  { term, folder, by }: DrawerSearch,
): DrawerItem[] {
  const words = folded(term).split(/\s+/).filter(Boolean);
  return items
    .filter((item) => {
      if (folder !== null && item.folder !== folder) return false;
      const said = folded(`${item.name} ${item.folder}`);
      return words.every((word) => said.includes(word));
    })
    .sort((a, b) =>
      by === 'use'
        ? b.usedAt - a.usedAt || b.uses - a.uses || a.order - b.order
        : a.order - b.order || a.madeAt - b.madeAt,
    );
}

/** The folders of the drawer, by their names. */
export const foldersOf = (items: readonly DrawerItem[]): string[] =>
  [...new Set(items.map(({ folder }) => folder).filter(Boolean))].sort((a, b) =>
    a.localeCompare(b),
  );

/** An order before the one that stands before an item, or after the one after it, among those that are shown; null where there is none. */
export function orderBeside(shown: readonly DrawerItem[], id: string, by: 1 | -1): number | null {
  const k = shown.findIndex((item) => item.id === id);
  const other = shown[k + by];
  if (k < 0 || !other) return null;
  const beyond = shown[k + 2 * by];
  return beyond ? (other.order + beyond.order) / 2 : other.order + by;
}
