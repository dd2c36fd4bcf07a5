import type { Vec } from '../geometry/index.ts';
import type { Print, PrintLine } from './print.ts';
import { quadsOf } from './quads.ts';
import { textOf } from './quote.ts';
import { textsOf } from './texts.ts';

/** What may be a heading: a short text in larger type than most of its page, or in another face. */
export interface Heading {
  readonly text: string;
  /** Where it begins in the text of its page. */
  readonly from: number;
  /** Of its type, points. */
  readonly size: number;
  /** The upper corner of its first line, in user space. */
  readonly at: Vec;
  /** It is no larger than the text, but set in another face, and a paragraph follows. */
  readonly byFace: boolean;
}

/** What of a page tells its headings: those it may have, and how much of it is set in which size, in quarters of a point. */
export interface HeadingsOn {
  readonly may: readonly Heading[];
  readonly sizes: ReadonlyMap<number, number>;
}

/** A heading of a document, from page 0 on. */
export interface PlacedHeading extends Heading {
  readonly page: number;
  /** From 0: those in the largest type. */
  readonly level: number;
}

/** Type so much larger than most of a document is that of headings; they have no more lines and characters than this. */
const LARGER = 1.05;
const MOST_LINES = 4;
const MOST_CHARACTERS = 200;
/** Sizes nearer to each other than this are one, and no more levels are told apart. */
const SAME = 1.04;
const MOST_LEVELS = 5;
/** A document has sections that sizes tell where it has a heading for every so many pages. */
const PAGES_EACH = 3;
/** A sentence is none. */
const OPEN_END = /[^.,;:]$/u;
/** Dots that lead to the number of a page: a table of contents, which is none. */
const LEADERS = /(\. ?){4,}|…{2,}/u;

const quarter = (size: number): number => Math.round(4 * size) / 4;

/** How many characters are set in each size, face or whatever else is told of their lines. */
function charactersBy(lines: readonly PrintLine[], told: (line: PrintLine) => number) {
  const count = new Map<number, number>();
  for (const line of lines)
    count.set(told(line), (count.get(told(line)) ?? 0) + line.to - line.from);
  return count;
}

/** What most characters have; 0 of none. */
const usualIn = (count: ReadonlyMap<number, number>): number =>
  [...count].reduce((most, next) => (next[1] > most[1] ? next : most), [0, 0])[0];

/** What may be headings on a page. */
export function headingsOn(print: Print): HeadingsOn {
  const sizes = charactersBy(print.lines, ({ size }) => quarter(size));
  const usual = usualIn(sizes);
  const face = usualIn(charactersBy(print.lines, (line) => line.face));
  const texts = textsOf(print);
  const may: Heading[] = [];
  texts.forEach((lines, k) => {
    const [first, last] = [lines[0], lines[lines.length - 1]];
    const isLong = lines.length > MOST_LINES || last.to - first.from > MOST_CHARACTERS;
    if (isLong || first.running) return;
    const size = lines.reduce((most, line) => Math.max(most, line.size), 0);
    const byFace = size <= LARGER * usual;
    if (byFace && !standsByFace(lines, texts[k + 1], face, usual)) return;
    const text = textOf(print, { from: first.from, to: last.to });
    if (!/\p{L}/u.test(text) || LEADERS.test(text) || (byFace && !OPEN_END.test(text))) return;
    const [at] = quadsOf(print, first)[0];
    may.push({ text, from: first.from, size, at, byFace });
  });
  return { may, sizes };
}

/** Whether a text is set in another face than most of the page, and a paragraph in that face follows. */
function standsByFace(
  lines: readonly PrintLine[],
  next: readonly PrintLine[] | undefined,
  face: number,
  usual: number,
): boolean {
  if (lines.some((line) => line.face === face || line.size < usual / SAME)) return false;
  return (next?.length ?? 0) > 1 && next?.[0].face === face && next[0].column === lines[0].column;
}

/** The headings of a document by its pages: what is set larger than most of it, a level for each size. */
export function headingsOf(pages: readonly HeadingsOn[]): PlacedHeading[] {
  const sizes = new Map<number, number>();
  for (const page of pages)
    for (const [size, n] of page.sizes) sizes.set(size, (sizes.get(size) ?? 0) + n);
  const least = LARGER * usualIn(sizes);
  const placed = pages.flatMap(({ may }, page) => may.map((heading) => ({ ...heading, page })));
  const larger = placed.filter(({ size, byFace }) => !byFace && size > least);
  // Where sizes tell headings, faces tell terms, and the names of tables.
  const found =
    larger.length * PAGES_EACH > pages.length
      ? larger
      : placed.filter((one) => one.byFace || larger.includes(one));
  const levels: number[] = [];
  for (const size of [...new Set(found.map(({ size: s }) => s))].sort((a, b) => b - a)) {
    const last = levels[levels.length - 1];
    if (last === undefined || last > SAME * size) levels.push(size);
  }
  const levelOf = (size: number): number => {
    const level = levels.findIndex((one) => size > one / SAME);
    return Math.min(MOST_LEVELS - 1, level < 0 ? levels.length - 1 : level);
  };
  return found.map((heading) => ({ ...heading, level: levelOf(heading.size) }));
}
