import { type DocState, marksOn } from '../document/index.ts';
import { type Box, boxCentre, displayMatrix, transformBox, type Vec } from '../geometry/index.ts';
import { kindFor, type Mark, type MarkWords } from '../kinds/index.ts';
import type { Print } from '../print/index.ts';
import { roughBoundsOf } from './drawingOf.ts';
import { wordsKnown } from './wordsKnown.ts';

/** A mark in the list of all marks. */
export interface ListedMark {
  readonly mark: Mark;
  readonly words: MarkWords;
  /** Page of the document, from 0. */
  readonly page: number;
  /** Around it as the page is seen, points from the upper left corner, y down; and its middle. */
  readonly box: Box;
  readonly at: Vec;
}

/** Marks whose middles are nearer than this in height stand on one line, points. */
const LINE = 14;

const lists = new WeakMap<
  DocState['marks'],
  { readonly pages: DocState['pages']; readonly list: readonly ListedMark[] }
>();

/** All marks in reading order: page by page, line by line, from left to right. Kept as long as no mark and no page changes. */
export function listMarks(state: DocState): readonly ListedMark[] {
  const known = lists.get(state.marks);
  if (known?.pages === state.pages) return known.list;
  const list = state.pages.flatMap((page, index) => {
    const display = displayMatrix(page);
    const rows = [...marksOn(state, page.id).values()].map((mark): ListedMark => {
      const box = transformBox(display, roughBoundsOf(mark));
      return { mark, words: kindFor(mark).words(mark), page: index, box, at: boxCentre(box) };
    });
    return inLines(rows);
  });
  lists.set(state.marks, { pages: state.pages, list });
  return list;
}

/** From the top down; marks of about one height from left to right. */
function inLines(rows: readonly ListedMark[]): ListedMark[] {
  const sorted = [...rows].sort((a, b) => a.at.y - b.at.y);
  const lines: ListedMark[][] = [];
  for (const row of sorted) {
    const line = lines[lines.length - 1];
    if (line && row.at.y - line[0].at.y < LINE) line.push(row);
    else lines.push([row]);
  }
  return lines.flatMap((line) => line.sort((a, b) => a.at.x - b.at.x));
}

/** What of the list is asked for; what is left out does not narrow it. */
export interface MarkFilter {
  /** One of the sorts its kind tells marks apart by. */
  readonly sort?: string;
  readonly colour?: string;
  readonly author?: string;
  /** Pages from 0, both included. */
  readonly from?: number;
  readonly to?: number;
  /** In the words beneath, the author or what the mark is called; any case. */
  readonly text?: string;
}

/** The rows that fit a filter; `wordsOf` gives what can be searched of a row. */
export function filterMarks(
  list: readonly ListedMark[],
  { sort, colour, author, from = 0, to = Infinity, text = '' }: MarkFilter,
  wordsOf: (row: ListedMark) => string,
): readonly ListedMark[] {
  const wanted = text.trim().toLocaleLowerCase();
  return list.filter(
    (row) =>
      (sort === undefined || row.words.sort === sort) &&
      (colour === undefined || inkOf(row.mark) === colour) &&
      (author === undefined || (row.mark.author ?? '') === author) &&
      row.page >= from &&
      row.page <= to &&
      (wanted === '' || wordsOf(row).toLocaleLowerCase().includes(wanted)),
  );
}

/** The ink of a mark, `#rrggbb`; null where it has none. */
export const inkOf = (mark: Mark): string | null =>
  kindFor(mark).look(mark).inkless ? null : mark.style.colour;

const MOST_WORDS = 12;

/**
 * What a mark says by itself, or the printed words that it underlines, strikes through, goes round or brackets, or else those beneath it, in the order they are
 * read in; of a long passage the first ones.
 */
export function wordsBeneath(mark: Mark, print: Print): string {
  const known = beneath.get(mark);
  if (known?.print === print) return known.words;
  const words = findBeneath(mark, print);
  beneath.set(mark, { print, words });
  return words;
}

const beneath = new WeakMap<Mark, { readonly print: Print; readonly words: string }>();

function findBeneath(mark: Mark, print: Print): string {
  const words = wordsOwn(mark) ?? printedBeneath(mark, print);
  return words.slice(0, MOST_WORDS).join(' ') + (words.length > MOST_WORDS ? ' …' : '');
}

/** Null for what says nothing by itself. A picture hides what is printed beneath, and is not about it. */
function wordsOwn(mark: Mark): string[] | null {
  const { text } = kindFor(mark).words(mark);
  if (text !== '') return text.split(' ');
  return inkOf(mark) === null ? [] : null;
}

function printedBeneath(mark: Mark, print: Print): string[] {
  const meant = wordsKnown(mark, print);
  if (meant.length > 0)
    return print.words
      .filter((word) => meant.some(({ from, to }) => word.from >= from && word.to <= to))
      .map(({ from, to }) => print.text.slice(from, to));
  const b = roughBoundsOf(mark);
  const isBeneath = ({ x, y }: Vec): boolean =>
    x >= b.minX && x <= b.maxX && y >= b.minY && y <= b.maxY;
  return print.words
    .filter((word) => isBeneath(boxCentre(word.box)))
    .map(({ from, to }) => print.text.slice(from, to));
}
