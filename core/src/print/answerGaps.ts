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
/** Dots in a row, underscores in a row, and spaces between brackets that leave room for an answer. */
const LEADERS = /_{3,}|(?:\.\s?){5,}|(?:…\s?){2,}|[([][\s\u00a0]{3,}[)\]]/gu;
/** After dots the number of a page stands at the end of a line of contents, in figures or as the Romans wrote them. */
const PAGE_NUMBER = /^(?:\p{N}+|[ivxlc]+)$/iu;

/** A row of dots or underscores is no shorter, nor what is between brackets, points. */
const SHORTEST_ROW = 12;
const SHORTEST_BETWEEN = 6;

/** Rows of dots or underscores, and what is between brackets. */
export function answerGaps({ text, boxes, words }: Print, page: PageBox): AnswerGap[] {
  const display = displayMatrix(page);
  /** The first word after a row of dots, at its height, is the number of a page: wherever in the text it stands. */
  const leadsToPage = (dots: Box): boolean => {
    let next: { readonly minX: number; readonly said: string } | null = null;
    for (const word of words) {
      const { minX, maxY } = transformBox(display, word.box);
      if (Math.abs(maxY - dots.maxY) > SAME_LINE || minX < dots.maxX - 1) continue;
      if (!next || minX < next.minX) next = { minX, said: text.slice(word.from, word.to) };
    }
    return next !== null && PAGE_NUMBER.test(next.said);
  };
  const boxOf = (at: number): Box => {
    const [minX, minY, maxX, maxY] = boxes.subarray(4 * at, 4 * at + 4);
    return transformBox(display, box(minX, minY, maxX, maxY));
  };
  const gaps: AnswerGap[] = [];
  for (const match of text.matchAll(LEADERS)) {
    const [said] = match;
    const isBracket = /^[([]/.test(said);
    const first = boxOf(match.index);
    const last = boxOf(match.index + said.trimEnd().length - 1);
    // A row that goes on in the next line of the print is not one.
    if (Math.abs(first.maxY - last.maxY) > SAME_LINE) continue;
    if (/^[.…]/.test(said) && leadsToPage(last)) continue;
    const [from, to] = isBracket ? [first.maxX, last.minX] : [first.minX, last.maxX];
    if (to - from >= (isBracket ? SHORTEST_BETWEEN : SHORTEST_ROW))
      gaps.push({ from, to, y: first.maxY });
  }
  return gaps;
}
