import type { DocState, Thread } from '../document/index.ts';
import { kindFor } from '../kinds/index.ts';

/** Words with fewer letters are everywhere: nothing is looked through for them. */
const SHORTEST = 4;

/** What must not be said anywhere in a copy, a line a piece. */
export const phrasesBeneath = ({ marks, pages }: DocState): string[] => {
  const bars = pages
    .flatMap(({ id }) => [...(marks.get(id)?.values() ?? [])])
    .filter((mark) => kindFor(mark).redacts);
  const said = bars.flatMap((mark) => kindFor(mark).words(mark).text.split('\n'));
  const worth = said.map((one) => one.trim()).filter((one) => lettersIn(one) >= SHORTEST);
  // The longer first: what it holds would be found in it.
  return [...new Set(worth)].sort((a, b) => b.length - a.length);
};

const lettersIn = (text: string): number => (text.match(/[\p{L}\p{N}]/gu) ?? []).length;

/** A text without the phrases; null where it has none of them. */
export type Forgets = (text: string) => string | null;

/** Takes phrases out of texts, whatever stands between their words; null where there are none. */
export function forgetting(phrases: readonly string[], instead = '…'): Forgets | null {
  if (phrases.length === 0) return null;
  const ways = phrases.map((one) => one.split(/\s+/).map(escaped).join('\\s+'));
  const any = new RegExp(ways.join('|'), 'giu');
  return (text) => {
    const left = text.replace(any, instead);
    return left === text ? null : left;
  };
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');

/** A document whose bookmarks and remarks do not say what its bars hide; the same one where none do. */
export function withoutPhrases(document: DocState): DocState {
  const forgets = forgetting(phrasesBeneath(document));
  if (!forgets) return document;
  let changed = false;
  const said = (text: string): string => {
    const left = forgets(text);
    changed ||= left !== null;
    return left ?? text;
  };
  const bookmarks = new Map(
    [...document.bookmarks].map(([id, one]) => [id, { ...one, title: said(one.title) }]),
  );
  const threads = new Map(
    [...document.threads].map(([id, one]): [string, Thread] => [
      id,
      {
        ...one,
        remarks: one.remarks.map((remark) => ({ ...remark, text: said(remark.text) })),
        ...(one.was === undefined ? {} : { was: said(one.was) }),
      },
    ]),
  );
  return changed ? { ...document, bookmarks, threads } : document;
}
