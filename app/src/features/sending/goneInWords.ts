import type { LeadsGone } from '@marginalis/core/guide';

/** What leads to pages that were taken out, in words; null where nothing does. */
export function goneInWords({ entries, bookmarks }: LeadsGone, links: number): string | null {
  const said = [
    entries > 0 ? `${entries} ${entries === 1 ? 'entry' : 'entries'} of the contents` : '',
    bookmarks > 0 ? `${bookmarks} ${bookmarks === 1 ? 'bookmark' : 'bookmarks'}` : '',
    links > 0 ? `${links} ${links === 1 ? 'link' : 'links'}` : '',
  ].filter(Boolean);
  if (said.length === 0) return null;
  const isOne = entries + bookmarks + links === 1;
  const all = said.length > 1 ? `${said.slice(0, -1).join(', ')} and ${said.at(-1)}` : said[0];
  return `${all} ${isOne ? 'leads' : 'lead'} to what was taken out, and ${isOne ? 'is' : 'are'} left out of the copy.`;
}

/** Marks that have no place in the edition that is shown are in no copy; null where there are none. */
export const waitingInWords = (count: number): string | null =>
  count === 0
    ? null
    : `${count === 1 ? '1 mark waits' : `${count} marks wait`} for a place, and ${count === 1 ? 'is' : 'are'} not in the copy.`;
