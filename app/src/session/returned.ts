import type { Elsewhere } from '@marginalis/core/annotations';
import type { NamedPart, Page } from '@marginalis/core/document';
import { createJournal } from '@marginalis/core/journal';
import { createJournalStore, type DeskDocument } from '@/storage';
import { pagesAsCame } from './pagesAsCame';

/** A living copy that has been marked further with another program, and what has been done to it. */
export interface Returned {
  readonly elsewhere: Elsewhere;
  /** Its pages, as its marks call them. */
  readonly pages: readonly Page[];
}

/** Whether anything has been done to it. */
export const isReturned = ({ changes, left }: Elsewhere): boolean =>
  changes.length > 0 || left.length > 0;

/** The document of these that a copy was sent from: it shows the same source, and has one of its marks. Null where none is. */
export async function sentFrom(
  documents: readonly DeskDocument[],
  parts: readonly NamedPart[],
): Promise<DeskDocument | null> {
  const sent = new Set(parts.flatMap((one) => (one.part === 'mark' ? [one.value.id] : [])));
  for (const document of documents) {
    const { state } = await createJournal(createJournalStore(document.id)).open(
      pagesAsCame(document),
    );
    for (const marks of state.marks.values())
      for (const id of marks.keys()) if (sent.has(id)) return document;
  }
  return null;
}

const counted = (n: number, what: string): string[] => (n > 0 ? [`${n} ${what}`] : []);
/** More people are not named. */
const MOST_NAMED = 3;

/** What has been done to a copy elsewhere, in words: "“Tide log” has come back, marked further elsewhere by Tom: 2 new, 1 gone." */
export function returnedInWords(title: string, elsewhere: Elsewhere): string {
  const { added, changed, removed, authors, left } = elsewhere;
  const what = [
    ...counted(added, 'new'),
    ...counted(changed, 'changed'),
    ...counted(removed, 'gone'),
  ].join(', ');
  const isNamed = authors.length > 0 && authors.length <= MOST_NAMED;
  const who = isNamed ? ` by ${authors.join(', ')}` : '';
  const said = `“${title}” has come back, marked further elsewhere${who}${what && `: ${what}`}.`;
  if (left.length === 0) return said;
  const cannot = left.length === 1 ? 'thing was added that' : 'things were added that';
  return `${said} ${left.length} ${cannot} cannot be taken in.`;
}
