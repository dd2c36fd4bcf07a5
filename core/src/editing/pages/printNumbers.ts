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
import type { MarkId, PageId } from '../../marks/index.ts';
import { textOfSpans } from '../../type/index.ts';
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
const INK = '#1b1b1d';
const LEADING = 1.25;
/** From the edge of the page, and how much room a number has, points. */
const [EDGE, WIDE] = [28, 140];

/** The mark that is a page's printed number: there is one at most. */
export const numberMark = (page: PageId): MarkId => `number ${page}`.slice(0, 100);

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
  const top = isHead ? EDGE : height - EDGE - SIZE * LEADING;
  const back = invertMatrix(displayMatrix(page));
  return {
    kind: 'text',
    id: numberMark(page.id),
    page: page.id,
    order,
    style: { colour: INK, width: 1, opacity: 1 },
    madeAt,
    ...(author ? { author } : {}),
    at: transform(back, { x: left, y: top }),
    angle: Math.atan2(back[1], back[0]),
    block: {
      spans: [
        {
          text: name,
          style: {
            ...{ family: 'serif', size: SIZE, colour: INK },
            ...{ bold: false, italic: false, underline: false },
          },
        },
      ],
      width: wide,
      align: !isOuter ? 'centre' : isRight ? 'end' : 'start',
      leading: LEADING,
    },
    height: SIZE * LEADING,
    padding: 0,
    background: null,
    border: 0,
  };
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
  const [was, is] = [namesOf(state.pages), namesOf(applied.state.pages)];
  const before = new Map(state.pages.map(({ id }, k) => [id, was[k]]));
  const changes = applied.state.pages.flatMap(({ id }, k): Change[] => {
    const mark = asText(findMark(applied.state, numberMark(id)));
    const [span] = mark?.block.spans ?? [];
    if (!mark || textOfSpans(mark.block.spans) !== before.get(id) || is[k] === before.get(id))
      return [];
    const after = { ...mark, block: { ...mark.block, spans: [{ ...span, text: is[k] }] } };
    return [markChange(mark, after)];
  });
  return changes.length === 0
    ? transaction
    : { ...transaction, changes: [...transaction.changes, ...changes] };
}
