import {
  applyTransaction,
  type Change,
  type DocState,
  findMark,
  markChange,
  nextOrder,
  type Page,
  type Transaction,
} from '../../document/index.ts';
import { displayMatrix, displaySize, invertMatrix, transform } from '../../geometry/index.ts';
import { asText, type TextMark } from '../../kinds/index.ts';
import type { PageId } from '../../marks/index.ts';
import { textOfSpans } from '../../type/index.ts';
import { lineHeight, textLine } from '../textLine.ts';
import { numberMark } from './numberMark.ts';
import { chosen } from './places.ts';

/** Where on a page its number is printed; outer is to the right on the first page, to the left on the next. */
export const NUMBER_PLACES = ['foot', 'footOuter', 'head', 'headOuter'] as const;
export type NumberPlace = (typeof NUMBER_PLACES)[number];

export interface PrintedNumbers {
  readonly place: NumberPlace;
  /** What the pages of the document are called, in order. */
  readonly names: readonly string[];
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  readonly author?: string;
}

const SIZE = 10;
/** From the edge of the page, and how much room a number has, points. */
const [EDGE, WIDE] = [28, 140];

/** Prints the names of pages on them, as text boxes; where they are printed already they are put in their place. Null where nothing changes. */
export function printNumbers(
  state: DocState,
  ids: Iterable<PageId>,
  printed: PrintedNumbers,
): Transaction | null {
  const places = new Map(state.pages.map(({ id }, k) => [id, k]));
  const changes = chosen(state.pages, ids).flatMap((page): Change[] => {
    const index = places.get(page.id) ?? 0;
    const name = printed.names[index] ?? '';
    const before = findMark(state, numberMark(page.id));
    if (name === '') return before ? [markChange(before, null)] : [];
    const after = markFor(state, page, index, name, printed, before?.order);
    return JSON.stringify(before) === JSON.stringify(after) ? [] : [markChange(before, after)];
  });
  return changes.length === 0 ? null : { label: 'Print page numbers', changes };
}

/** Takes printed numbers off pages; null where there are none. */
export function removeNumbers(state: DocState, ids: Iterable<PageId>): Transaction | null {
  const changes = chosen(state.pages, ids).flatMap((page): Change[] => {
    const before = findMark(state, numberMark(page.id));
    return before ? [markChange(before, null)] : [];
  });
  return changes.length === 0 ? null : { label: 'Take page numbers off', changes };
}

function markFor(
  state: DocState,
  page: Page,
  index: number,
  name: string,
  { place, madeAt, author }: PrintedNumbers,
  order = nextOrder(state, page.id),
): TextMark {
  const { width, height } = displaySize(page);
  const isOuter = place === 'footOuter' || place === 'headOuter';
  const isRight = index % 2 === 0;
  const wide = Math.min(WIDE, width - 2 * EDGE);
  const left = !isOuter ? (width - wide) / 2 : isRight ? width - EDGE - wide : EDGE;
  const isHead = place === 'head' || place === 'headOuter';
  const top = isHead ? EDGE : height - EDGE - lineHeight(SIZE);
  const back = invertMatrix(displayMatrix(page));
  return textLine({
    ...{ id: numberMark(page.id), page: page.id, order, text: name, size: SIZE, madeAt },
    ...(author ? { author } : {}),
    at: transform(back, { x: left, y: top }),
    angle: Math.atan2(back[1], back[0]),
    width: wide,
    align: !isOuter ? 'centre' : isRight ? 'end' : 'start',
  });
}

/**
 * A transaction with what it means for printed numbers: where a page is called otherwise afterwards, its number says so. The same transaction where that
 * concerns none, and for numbers that somebody has changed by hand.
 * @param namesOf what pages in this order are called
 */
export function keepNumbers(
  state: DocState,
  transaction: Transaction,
  namesOf: (pages: readonly Page[]) => readonly string[],
): Transaction {
  if (!transaction.changes.some(({ part }) => part === 'page')) return transaction;
  const isPrinted = ({ id }: Page): boolean => findMark(state, numberMark(id)) !== null;
  if (!state.pages.some(isPrinted)) return transaction;
  const applied = applyTransaction(state, transaction);
  if (!applied.ok) return transaction;
  const names = namesOf(state.pages);
  const is = namesOf(applied.state.pages);
  const before = new Map(state.pages.map(({ id }, k) => [id, names[k]]));
  const changes = applied.state.pages.flatMap(({ id }, k): Change[] => {
    const mark = asText(findMark(applied.state, numberMark(id)));
    const [span] = mark?.block.spans ?? [];
    if (!mark) return [];
    // The number of a page that has just come is that of the page it is a copy of.
    const was = before.get(id) ?? textOfSpans(mark.block.spans);
    if (textOfSpans(mark.block.spans) !== was || is[k] === was) return [];
    const after = { ...mark, block: { ...mark.block, spans: [{ ...span, text: is[k] }] } };
    return [markChange(mark, after)];
  });
  return changes.length === 0
    ? transaction
    : { ...transaction, changes: [...transaction.changes, ...changes] };
}
