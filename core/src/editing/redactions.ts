import { type DocState, markChange, nextOrder, type Transaction } from '../document/index.ts';
import { isWithin } from '../geometry/index.ts';
import { LONGEST_REDACTED, type RedactionMark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import { areasOfQuads, type Print, type Quad } from '../print/index.ts';

export interface NewRedaction {
  readonly id: MarkId;
  readonly page: PageId;
  /** Where bars are to lie, in user space. */
  readonly quads: readonly Quad[];
  /** The words beneath; empty where none can be read. */
  readonly says: string;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  readonly author?: string;
}

/** Of bars. */
const BLACK = '#000000';

/** Lays bars over what must not leave, a mark for each that is asked for. */
export function redact(state: DocState, asked: readonly NewRedaction[]): Transaction {
  const laid = new Map<PageId, number>();
  const marks = asked.map(({ id, page, quads, says, madeAt, author }): RedactionMark => {
    const before = laid.get(page) ?? 0;
    laid.set(page, before + 1);
    return {
      ...{ kind: 'redaction', id, page, order: nextOrder(state, page) + before, madeAt },
      ...(author ? { author } : {}),
      style: { colour: BLACK, width: 1, opacity: 1 },
      ...{ quads, says: says.slice(0, LONGEST_REDACTED) },
    };
  });
  return { label: 'Redact', changes: marks.map((mark) => markChange(null, mark)) };
}

/** The printed words that lie beneath bars, a line a line; of those that lie beneath in part the letters that do. */
export function wordsBeneath({ boxes, words, text }: Print, quads: readonly Quad[]): string {
  const areas = areasOfQuads(quads);
  const isBeneath = (unit: number): boolean => {
    const [minX, minY, maxX, maxY] = boxes.subarray(4 * unit, 4 * unit + 4);
    const middle = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
    return areas.some((area) => isWithin(area, middle));
  };
  let said = '';
  let line = -1;
  for (const word of words) {
    let letters = '';
    for (let k = word.from; k < word.to; k++) if (isBeneath(k)) letters += text[k];
    if (letters === '') continue;
    said += said === '' ? letters : `${word.line === line ? ' ' : '\n'}${letters}`;
    line = word.line;
  }
  return said;
}
