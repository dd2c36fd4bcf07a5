import type { LeadsGone } from '@marginalis/core/guide';

/** What leads to pages that were taken out, in words; null where nothing does. */
export function goneInWords({ entries, bookmarks }: LeadsGone): string | null {
  const said = [
    entries > 0 ? `${entries} ${entries === 1 ? 'entry' : 'entries'} of the contents` : '',
    bookmarks > 0 ? `${bookmarks} ${bookmarks === 1 ? 'bookmark' : 'bookmarks'}` : '',
  ].filter(Boolean);
  if (said.length === 0) return null;
  const isOne = entries + bookmarks === 1;
  return `${said.join(' and ')} ${isOne ? 'leads' : 'lead'} to pages that were taken out, and ${isOne ? 'is' : 'are'} left out of the copy.`;
}
