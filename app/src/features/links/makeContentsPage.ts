import type { DocState } from '@marginalis/core/document';
import { type ContentsEntry, makeContents } from '@marginalis/core/editing';
import { bookmarkRows, contentsOf, type ContentsRow } from '@marginalis/core/guide';
import { useSettings } from '@/session';
import type { Reader } from '@/shell';

/** More lines than this are a book by themselves: the deepest levels are left out. */
const MOST = 400;
const NOTHING =
  'There is nothing to list: the file has no contents of its own, and no place is bookmarked. Bookmark some first, or have contents made of the headings.';

/** Puts a page before all others that lists the contents of the document, and one's own bookmarks among them, with links. */
export function makeContentsPage({ session, stage }: Reader): void {
  const { document } = session.store.getState();
  const { author } = useSettings.getState();
  const transaction = makeContents(document, {
    heading: 'Contents',
    entries: entriesFor(rowsOf(session, document)),
    namesOf: (pages) => session.guide.namesOf(pages),
    newId: () => crypto.randomUUID(),
    madeAt: Date.now(),
    author,
  });
  if (!transaction) return session.notices.tell(NOTHING);
  if (!session.dispatch(transaction)) return;
  const first = transaction.changes.find(({ part, before }) => part === 'page' && !before);
  if (first) stage.goToAdded(first.id);
}

function rowsOf(session: Reader['session'], document: DocState): readonly ContentsRow[] {
  const ofFiles = session.guide.outlines(session.leadingSource());
  return ofFiles.length > 0 ? contentsOf(document, ofFiles) : bookmarkRows(document);
}

function entriesFor(rows: readonly ContentsRow[]): ContentsEntry[] {
  const leading = rows.filter(({ place, title }) => place !== null && title.trim() !== '');
  let deepest = Math.max(0, ...leading.map(({ depth }) => depth));
  const within = (): ContentsRow[] => leading.filter(({ depth }) => depth <= deepest);
  while (deepest > 0 && within().length > MOST) deepest -= 1;
  return within()
    .slice(0, MOST)
    .flatMap(({ title, depth, place }) => (place ? [{ title, depth, ...place }] : []));
}
