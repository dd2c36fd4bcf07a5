import { asWords, kindFor, type Mark, rangesOf } from '../kinds/index.ts';
import { type Print, type TextRange, wordsMeant } from '../print/index.ts';

const known = new WeakMap<Mark, { readonly print: Print; readonly ranges: readonly TextRange[] }>();

/**
 * The parts of a page's text that a mark is about: those it lies on as a mark on words, or those it underlines, strikes through, goes round or brackets as
 * ink. None where it is about no words.
 */
export function wordsKnown(mark: Mark, print: Print): readonly TextRange[] {
  const before = known.get(mark);
  if (before?.print === print) return before.ranges;
  const ranges = findKnown(mark, print);
  known.set(mark, { print, ranges });
  return ranges;
}

function findKnown(mark: Mark, print: Print): readonly TextRange[] {
  const words = asWords(mark);
  if (words) return rangesOf(print, words.strips) ?? [];
  const lines = kindFor(mark).lines?.(mark) ?? [];
  return lines.flatMap(({ points }) => wordsMeant(print, points)?.ranges ?? []);
}
