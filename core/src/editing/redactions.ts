import { type DocState, markChange, nextOrder, type Transaction } from '../document/index.ts';
import { LONGEST_REDACTED, type RedactionMark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import type { Quad } from '../print/index.ts';

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
