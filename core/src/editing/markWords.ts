import {
  type DocState,
  marksOn,
  markChange,
  nextOrder,
  type Transaction,
} from '../document/index.ts';
import { asWords, rangesOf, type Strip, stripsOf, type WordsMark } from '../kinds/index.ts';
import { instrumentStyle, type MarkId, type PageId, type WordMarker } from '../marks/index.ts';
import { type Print, quoteOf, type TextRange } from '../print/index.ts';

export interface WordMarking {
  readonly id: MarkId;
  readonly page: PageId;
  readonly marker: Pick<WordMarker, 'manner' | 'colour' | 'opacity' | 'widthMm'>;
  /** What is printed on the page, and the part of it that is marked. */
  readonly print: Print;
  readonly range: TextRange;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Nobody when left out or empty. */
  readonly author?: string;
}

/**
 * Marks words. Marks of one manner, ink and author that lie on the same words, or side by side, become one; null when there is no word, or
 * all of it is marked so already.
 */
export function markWords(state: DocState, marking: WordMarking): Transaction | null {
  const { print, range, page } = marking;
  const { marker } = marking;
  const style = instrumentStyle(marker);
  const author = marking.author || undefined;
  const alike = [...marksOn(state, page).values()].flatMap((mark): WordsMark[] => {
    const words = asWords(mark);
    const isAlike =
      words?.manner === marker.manner &&
      words.style.colour === style.colour &&
      words.style.opacity === style.opacity &&
      words.style.width === style.width &&
      words.author === author &&
      !words.locked &&
      !words.group;
    return isAlike ? [words] : [];
  });
  const { ranges, taken } = unite(print, range, alike);
  const strips = ranges.flatMap((part) => stripsOf(print, part));
  if (strips.length === 0) return null;
  const [first] = taken;
  if (taken.length === 1 && saysTheSame(first.strips, strips)) return null;
  const whole = { from: ranges[0].from, to: ranges[ranges.length - 1].to };
  const { before, after } = quoteOf(print, whole);
  const mark: WordsMark = {
    kind: 'words',
    id: first?.id ?? marking.id,
    page,
    order: first?.order ?? nextOrder(state, page),
    style,
    madeAt: marking.madeAt,
    ...(author ? { author } : {}),
    manner: marker.manner,
    strips,
    before,
    after,
  };
  return {
    label: 'Mark words',
    changes: [
      markChange(first ?? null, mark),
      ...taken.slice(1).map((other) => markChange(other, null)),
    ],
  };
}

/** The range with those of marks that touch it, and what touches those. */
function unite(
  print: Print,
  range: TextRange,
  alike: readonly WordsMark[],
): { ranges: readonly TextRange[]; taken: readonly WordsMark[] } {
  const waiting = new Map(
    alike.flatMap((mark) => {
      const own = rangesOf(print, mark.strips);
      return own ? [[mark, own] as const] : [];
    }),
  );
  let ranges: TextRange[] = [range];
  const taken: WordsMark[] = [];
  for (let more = true; more;) {
    more = false;
    for (const [mark, own] of waiting) {
      if (!own.some((a) => ranges.some((b) => isBeside(print, a, b)))) continue;
      ranges = merged(print, [...ranges, ...own]);
      taken.push(mark);
      waiting.delete(mark);
      more = true;
    }
  }
  return { ranges, taken };
}

/** Whether nothing but white space is between two parts of the text. */
const isBeside = ({ text }: Print, a: TextRange, b: TextRange): boolean => {
  const [first, second] = a.from <= b.from ? [a, b] : [b, a];
  return second.from <= first.to || text.slice(first.to, second.from).trim() === '';
};

function merged(print: Print, ranges: readonly TextRange[]): TextRange[] {
  const sorted = [...ranges].sort((a, b) => a.from - b.from);
  const result: TextRange[] = [];
  for (const range of sorted) {
    const last = result[result.length - 1];
    if (last && isBeside(print, last, range))
      result[result.length - 1] = { from: last.from, to: Math.max(last.to, range.to) };
    else result.push(range);
  }
  return result;
}

const wordsIn = (strips: readonly Strip[]): string =>
  strips.map(({ words }) => words.map(({ text }) => text).join(' ')).join('\n');

const saysTheSame = (a: readonly Strip[], b: readonly Strip[]): boolean =>
  wordsIn(a) === wordsIn(b);
