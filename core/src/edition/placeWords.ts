import { boxCentre, distance, type Vec } from '../geometry/index.ts';
import { asNote, asWords, type Mark, stripsOf } from '../kinds/index.ts';
import { type Print, quadsOf, quoteOf, type TextRange } from '../print/index.ts';
import type { EditionText } from './editionText.ts';
import type { CarryReason } from './placed.ts';

/** Words that a mark is about, as they are now. */
export interface WordsNow {
  readonly page: number;
  readonly range: TextRange;
  readonly reason: Extract<CarryReason, 'words' | 'reworded'>;
  /** Of its words the share that is there, one after the other, 0–1. */
  readonly share: number;
}

/** Where words of a page, by their numbers, are now; null where they are gone. */
export function wordsNow(
  text: EditionText,
  from: number,
  words: readonly number[],
): WordsNow | null {
  const { at, of } = text.tokensNow(from, words);
  const gap = at.length === 0 ? text.gapNow(from, words) : null;
  const tokens = gap ?? at;
  if (tokens.length === 0) return null;
  const page = mostOn(tokens.map((k) => text.tokenNow(k).page));
  const there = tokens.filter((k) => text.tokenNow(k).page === page);
  const run = densest(there, of);
  const [first, last] = [run[0], run[run.length - 1]];
  const print = text.pageNow(page).print;
  const spanned = Array.from({ length: last - first + 1 }, (_, k) => text.tokenNow(first + k))
    .filter((token) => token.page === page)
    .flatMap((token) => token.words);
  const range = {
    from: print.words[Math.min(...spanned)].from,
    to: print.words[Math.max(...spanned)].to,
  };
  const isWhole = gap === null && run.length === of && last - first + 1 === of;
  const share = gap === null ? run.length / Math.max(of, last - first + 1) : 0;
  return { page, range, share, reason: isWhole ? 'words' : 'reworded' };
}

function mostOn(pages: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const page of pages) counts.set(page, (counts.get(page) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0][0];
}

/** Of places in order those that lie together: words that were moved elsewhere are left out. */
function densest(at: readonly number[], of: number): readonly number[] {
  const runs: number[][] = [];
  for (const k of at) {
    const run = runs.at(-1);
    if (run && k - run[run.length - 1] <= of + 2) run.push(k);
    else runs.push([k]);
  }
  return runs.sort((a, b) => b.length - a.length)[0];
}

/** A mark on words, or a note about some, on these words; null for every other mark. */
export function onWords(mark: Mark, print: Print, range: TextRange): Mark | null {
  const { before, after } = quoteOf(print, range);
  const words = asWords(mark);
  if (words) return { ...words, strips: stripsOf(print, range), before, after };
  const note = asNote(mark);
  if (!note || note.quads.length === 0) return null;
  const quads = quadsOf(print, range);
  return { ...note, at: quads[0][0], quads, quote: quoteOf(print, range) };
}

/** How far the words of a page have moved, where they have moved alike, to within `reach` points; null where they have not. */
export function movedAlike(
  text: EditionText,
  from: number,
  words: readonly number[],
  reach: number,
): { readonly page: number; readonly by: Vec } | null {
  const moves = words.flatMap((word) => {
    const found = text.words[from][word];
    if (!found?.now) return [];
    const [was, is] = [boxCentre(found.box), boxCentre(found.now.box)];
    return [{ page: found.now.page, by: { x: is.x - was.x, y: is.y - was.y } }];
  });
  const [first] = moves;
  const isAlike =
    moves.length === words.length &&
    moves.every(({ page, by }) => page === first.page && distance(by, first.by) <= reach);
  return first && isAlike ? first : null;
}
