import {
  PDFBool,
  type PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFRef,
} from '@cantoo/pdf-lib';
import type { Bookmark, DocState } from '../../document/index.ts';
import { destination } from './destination.ts';
import type { GatheredPage } from './gather.ts';
import {
  chainEntries,
  entriesOf,
  type OutlineItem,
  type OutlineRoot,
  outlineOf,
} from './outlineOf.ts';

const name = (text: string): PDFName => PDFName.of(text);
const [LAST, NEXT, PREVIOUS, COUNT] = ['Last', 'Next', 'Prev', 'Count'].map(name);
/** What is ours, so that it can be told from what was there: any program may add entries (ISO 32000-1, annex E). */
const OURS = name('Marginalis');
/** What the person's own bookmarks stand under where the file has an outline. */
const GROUP = 'Bookmarks';

interface Entry extends OutlineItem {
  /** Entries that are seen beneath it. */
  readonly seen: number;
}

/**
 * Adds the person's own bookmarks of a document to the outline of its copy: beneath an entry at its end, or as the outline
 * where the file has none.
 * @returns what stood in the file and has changed, the catalogue apart
 */
export function addBookmarks(
  doc: PDFDocument,
  { bookmarks }: DocState,
  pages: readonly GatheredPage[],
): readonly PDFRef[] {
  const { context, catalog } = doc;
  const places = new Map(pages.map((one) => [one.page.id, one]));
  const known = [...bookmarks.values()].filter(({ page }) => places.has(page));
  if (known.length === 0) return [];
  const ids = new Set(known.map(({ id }) => id));
  const met = new Set<string>();
  /** Those that stand under another, or under none that is there; each once, though damage may have them run in circles. */
  const beneath = (parent: string | null): Bookmark[] => {
    const all = known.filter(
      (one) =>
        !met.has(one.id) &&
        (one.parent !== null && ids.has(one.parent) ? one.parent : null) === parent,
    );
    for (const { id } of all) met.add(id);
    return all.sort((a, b) => a.order - b.order || a.madeAt - b.madeAt);
  };
  const lay = (parent: PDFDict, parentRef: PDFRef, all: readonly Bookmark[]): number => {
    const entries = all.map((one): Entry => {
      const dict = context.obj({ Title: PDFHexString.fromText(one.title), Parent: parentRef });
      const place = places.get(one.page);
      if (place) dict.set(name('Dest'), destination(context, place, one.at));
      dict.set(OURS, PDFBool.True);
      const ref = context.register(dict);
      return { dict, ref, seen: lay(dict, ref, beneath(one.id)) };
    });
    chainEntries(parent, parentRef, entries);
    const seen = entries.reduce((sum, entry) => sum + 1 + entry.seen, 0);
    if (seen > 0) parent.set(COUNT, PDFNumber.of(seen));
    return seen;
  };
  const root = outlineOf(doc);
  const last = root && lastOf(root);
  if (!root || !last) {
    const dict = context.obj({ Type: 'Outlines' });
    dict.set(OURS, PDFBool.True);
    const ref = context.register(dict);
    lay(dict, ref, beneath(null));
    catalog.set(name('Outlines'), ref);
    return [];
  }
  const group = context.obj({ Title: PDFHexString.fromText(GROUP), Parent: root.ref });
  group.set(OURS, PDFBool.True);
  const ref = context.register(group);
  const seen = lay(group, ref, beneath(null));
  last.dict.set(NEXT, ref);
  group.set(PREVIOUS, last.ref);
  root.dict.set(LAST, ref);
  addToCount(root.dict, 1 + seen);
  return last.ref instanceof PDFRef ? [root.ref, last.ref] : [root.ref];
}

/** Takes them out again: what is marked as ours, and an outline that is ours altogether. */
export function removeBookmarks(doc: PDFDocument): void {
  const root = outlineOf(doc);
  if (!root) return;
  if (root.dict.has(OURS)) return void doc.catalog.delete(name('Outlines'));
  const entries = [...entriesOf(root)];
  const kept = entries.filter(({ dict }) => !dict.has(OURS));
  if (kept.length === entries.length) return;
  for (const { dict } of entries) {
    const count = dict.lookup(COUNT);
    if (!dict.has(OURS)) continue;
    addToCount(root.dict, -1 - (count instanceof PDFNumber ? Math.max(0, count.asNumber()) : 0));
  }
  chainEntries(root.dict, root.ref, kept);
}

const lastOf = (root: OutlineRoot): OutlineItem | null => [...entriesOf(root)].at(-1) ?? null;

/** Says how many entries are seen, where that is said at all (§12.3.3, table 152). */
function addToCount(root: PDFDict, more: number): void {
  const count = root.lookup(COUNT);
  if (count instanceof PDFNumber && count.asNumber() > 0)
    root.set(COUNT, PDFNumber.of(Math.max(0, count.asNumber() + more)));
}
