import { listMarks } from '@marginalis/core/derived';
import type { PageLink } from '@marginalis/core/links';
import { goToMark, type Reader } from '@/shell';

/** Goes where a link leads; out of the document only after asking. */
export function follow(reader: Reader, { leads }: PageLink): void {
  const { session, stage } = reader;
  if (!leads) return session.notices.tell('What this link leads to is no longer in the document.');
  if ('address' in leads) return session.leadsOut.ask(leads.address);
  const { document } = session.store.getState();
  const noted = leads.thread === null ? undefined : document.threads.get(leads.thread);
  const row = noted && listMarks(document).find(({ mark }) => mark.id === noted.mark);
  if (row) goToMark(reader, row);
  else stage.goToSpot(leads.index, leads.at);
}

/** Where a link leads, in words. */
export function leadsTo(
  { session }: Pick<Reader, 'session'>,
  { leads, own }: Pick<PageLink, 'leads' | 'own'>,
): string {
  if (!leads) return 'Nowhere: it is gone';
  if ('address' in leads) return leads.address.replace(/^(https?:\/\/|mailto:)/i, '');
  const page = `page ${session.guide.nameOf(leads.index)}`;
  if (leads.thread !== null) return `A note on ${page}`;
  const { bookmarks } = session.store.getState().document;
  const to = own?.to;
  const bookmark = to && 'bookmark' in to ? bookmarks.get(to.bookmark) : undefined;
  return bookmark ? `${bookmark.title}, ${page}` : `P${page.slice(1)}`;
}
