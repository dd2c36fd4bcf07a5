import { type Box, box, displayMatrix, type PageBox, transformBox } from '../geometry/index.ts';
import type { Print } from './print.ts';

/** A gap in the print that leaves room for an answer, points from the page's upper left corner as it is seen, y down. */
export interface AnswerGap {
  readonly from: number;
  readonly to: number;
  /** The foot of its line. */
  readonly y: number;
}

/** Words whose feet are no farther apart stand on one line, points. */
const SAME_LINE = 4;
/** Dots in a row and underscores in a row that leave room for an answer. */
const LEADERS = /_{3,}|(?:\.\s?){5,}|(?:…\s?){2,}/gu;
const OPENS = /[([（［]$/u;
const CLOSES = /^[)\]）］]/u;
/** After dots the number of a page stands at the end of a line of contents or of an index, in figures or as the Romans wrote them. */
const PAGE_NUMBER = /^(?:\p{N}+|[ivxlc]+)(?:[–-]\p{N}*)?[,;]?$/iu;

/** A row of dots or underscores is no shorter, nor what is between brackets, points. */
const SHORTEST_ROW = 12;
const SHORTEST_BETWEEN = 12;
const LONGEST_BETWEEN = 120;

/** Rows of dots or underscores, and what is between brackets. */
export function answerGaps(print: Print, page: PageBox): AnswerGap[] {
  const { text, boxes, words } = print;
  const display = displayMatrix(page);
  const boxOf = (at: number): Box => {
    const [minX, minY, maxX, maxY] = boxes.subarray(4 * at, 4 * at + 4);
    return transformBox(display, box(minX, minY, maxX, maxY));
  };
  const seen = words.map(({ from, to, box: own }) => ({
    said: text.slice(from, to),
    to,
    from,
    box: transformBox(display, own),
  }));
  /** The word that follows a place at the height of another, wherever in the text it stands. */
  const wordAfter = (place: Box): (typeof seen)[number] | null => {
    let next: (typeof seen)[number] | null = null;
    for (const word of seen) {
      const { minX, maxY } = word.box;
      if (Math.abs(maxY - place.maxY) > SAME_LINE || minX < place.maxX - 1) continue;
      if (!next || minX < next.box.minX) next = word;
    }
    return next;
  };
  const gaps: AnswerGap[] = [];
  for (const match of text.matchAll(LEADERS)) {
    const [said] = match;
    const first = boxOf(match.index);
    const last = boxOf(match.index + said.trimEnd().length - 1);
    // A row that goes on in the next line of the print is not one.
    if (Math.abs(first.maxY - last.maxY) > SAME_LINE) continue;
    if (/^[.…]/.test(said) && PAGE_NUMBER.test(wordAfter(last)?.said ?? '')) continue;
    const [from, to] = [first.minX, last.maxX];
    if (to - from >= SHORTEST_ROW) gaps.push({ from, to, y: first.maxY });
  }
  for (const word of seen) {
    if (!OPENS.test(word.said)) continue;
    const opening = boxOf(word.to - 1);
    const next = wordAfter(opening);
    if (!next || !CLOSES.test(next.said)) continue;
    const [from, to] = [opening.maxX, boxOf(next.from).minX];
    if (to - from >= SHORTEST_BETWEEN && to - from <= LONGEST_BETWEEN)
      gaps.push({ from, to, y: opening.maxY });
  }
  return gaps;
}
