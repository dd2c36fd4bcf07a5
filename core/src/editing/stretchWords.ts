import { markChange, type Transaction } from '../document/index.ts';
import { rangesOf, stripsOf, type WordsMark } from '../kinds/index.ts';
import { type Print, quoteOf, type TextRange } from '../print/index.ts';

/** The part of the text from the first word of a mark to its last; null where the print has changed beneath it. */
export function rangeOfWords(print: Print, { strips }: WordsMark): TextRange | null {
  const ranges = rangesOf(print, strips);
  if (!ranges) return null;
  return {
    from: Math.min(...ranges.map(({ from }) => from)),
    to: Math.max(...ranges.map(({ to }) => to)),
  };
}

/**
 * A mark with other ends: what of it lies within them stays, and it goes on to them at both sides. Null when its words are not found, or no word is left.
 */
export function stretchedWords(mark: WordsMark, print: Print, ends: TextRange): WordsMark | null {
  const within = rangesOf(print, mark.strips)
    ?.map(({ from, to }) => ({ from: Math.max(from, ends.from), to: Math.min(to, ends.to) }))
    .filter(({ from, to }) => from < to)
    .sort((a, b) => a.from - b.from);
  if (!within) return null;
  const ranges = within.length > 0 ? within : [ends];
  const last = ranges.length - 1;
  const strips = joined(
    ranges.map(({ from, to }, k) => ({
      from: k === 0 ? ends.from : from,
      to: k === last ? ends.to : to,
    })),
    print,
  ).flatMap((range) => stripsOf(print, range));
  if (strips.length === 0) return null;
  const { before, after } = quoteOf(print, ends);
  return { ...mark, strips, before, after };
}

/** Strips of lines that follow on each other are one part of the text. */
function joined(ranges: readonly TextRange[], { text }: Print): TextRange[] {
  const all: TextRange[] = [];
  for (const range of ranges) {
    const last = all[all.length - 1];
    if (last && text.slice(last.to, range.from).trim() === '')
      all[all.length - 1] = { from: last.from, to: range.to };
    else all.push(range);
  }
  return all;
}

/** Gives a mark on words other ends; null where nothing changes by it. */
export function stretchWords(mark: WordsMark, print: Print, ends: TextRange): Transaction | null {
  const next = stretchedWords(mark, print, ends);
  const same = rangeOfWords(print, mark);
  if (!next || (same?.from === ends.from && same.to === ends.to)) return null;
  return { label: 'Change which words are marked', changes: [markChange(mark, next)] };
}
