import {
  applyTransaction,
  type DocState,
  emptyDocument,
  findMark,
  type Page,
  type Transaction,
  pagesOfSource,
} from '../src/document/index.ts';
import { drawInk } from '../src/editing/index.ts';
import type { PageBox, Vec } from '../src/geometry/index.ts';
import { type Mark } from '../src/kinds/index.ts';
import { FIRST_ROLL, type WritingInstrument, type MarkId } from '../src/marks/index.ts';
import { writeAlong } from './hand.ts';

export const PEN = FIRST_ROLL[0];
export const HIGHLIGHTER = FIRST_ROLL[2];

/** Pages for a test document, with ids `p0`, `p1` … */
export const pageRefsFor = (pages: readonly PageBox[]): Page[] =>
  pagesOfSource('a'.repeat(64), pages, (index) => `p${index}`);

/** The document after a change; a test whose change does not apply stops here. */
export function done(state: DocState, transaction: Transaction | null): DocState {
  if (!transaction) throw new Error('There is no transaction.');
  const applied = applyTransaction(state, transaction);
  if (!applied.ok) throw new Error(applied.reason);
  return applied.state;
}

export function markOf(state: DocState, id: MarkId): Mark {
  const mark = findMark(state, id);
  if (!mark) throw new Error(`There is no ${id}.`);
  return mark;
}

export interface Drawn {
  readonly page: number;
  readonly path: readonly Vec[];
  readonly instrument?: WritingInstrument;
  readonly id?: string;
}

/** A line of ink on a page, from 0. */
export const lineOn = (page: number, id: string): Drawn => ({
  ...{ page, id },
  path: [
    { x: 10, y: 10 },
    { x: 90, y: 60 },
  ],
});

/** A document with a stroke along each of the paths. */
export function written(pages: readonly Page[], strokes: readonly Drawn[]): DocState {
  return strokes.reduce<DocState>((state, { page, path, instrument = PEN, id }, i) => {
    const transaction = drawInk(state, {
      id: id ?? `m${i}`,
      page: pages[page].id,
      instrument,
      samples: writeAlong(path, { seed: i + 1 }),
      madeAt: 1_760_000_000_000 + i,
    });
    return done(state, transaction);
  }, emptyDocument(pages));
}
