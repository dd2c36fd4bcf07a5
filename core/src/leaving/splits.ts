import type { DocState } from '../document/index.ts';
import type { SourceOutline } from '../guide/index.ts';
import { pageRanges } from './pageRanges.ts';

/** A part that a document is split into. */
export interface Split {
  /** What it is called by itself; empty where it has no name of its own. */
  readonly title: string;
  /** From 0, in order. */
  readonly pages: readonly number[];
}

const upTo = (from: number, to: number): number[] =>
  Array.from({ length: to - from }, (_, k) => from + k);

/** Parts of so many pages each; the last has what is left. */
export const splitEvery = (count: number, pages: number): Split[] =>
  upTo(0, Math.ceil(count / pages)).map((k) => ({
    title: '',
    pages: upTo(k * pages, Math.min(count, (k + 1) * pages)),
  }));

/** A part for each range that is named, with semicolons between: `1-3; 4-6, 9`; or why that names none. */
export function splitByRanges(
  text: string,
  names: readonly string[],
):
  | { readonly ok: true; readonly splits: readonly Split[] }
  | { readonly ok: false; readonly reason: string } {
  const splits: Split[] = [];
  for (const range of text.split(';').filter((one) => one.trim() !== '')) {
    const named = pageRanges(range, names);
    if (!named.ok) return named;
    splits.push({ title: '', pages: named.pages });
  }
  return splits.length > 0
    ? { ok: true, splits }
    : { ok: false, reason: 'Say which pages: 1-3; 4-6.' };
}

/** A part for each entry at the top of an outline, from its page to that of the next; what stands before the first is a part too. Those that begin on one page are one. */
export function splitByOutline({ pages }: DocState, outlines: readonly SourceOutline[]): Split[] {
  const starts = outlines.flatMap(({ source, entries }) =>
    entries.flatMap(({ title, place }) => {
      const at = pages.findIndex(
        ({ shows }) => 'source' in shows && shows.source === source && shows.index === place?.page,
      );
      return place === null || at < 0 ? [] : [{ title, at }];
    }),
  );
  starts.sort((a, b) => a.at - b.at);
  const first = starts[0]?.at === 0 ? [] : [{ title: '', at: 0 }];
  const parts = [...first, ...starts.filter(({ at }, k) => k === 0 || at !== starts[k - 1].at)];
  return parts.map(({ title, at }, k) => ({
    title,
    pages: upTo(at, parts[k + 1]?.at ?? pages.length),
  }));
}
