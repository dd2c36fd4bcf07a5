import { csvTable } from '../csv/index.ts';
import { plainRemark } from '../derived/index.ts';
import type { NoteRecord, SaidRecord } from './noteRecords.ts';

const iso = (time: number | null | undefined): string =>
  time === null || time === undefined ? '' : new Date(time).toISOString();

const COLUMNS: readonly (readonly [
  title: string,
  cell: (note: NoteRecord, said: SaidRecord) => string,
])[] = [
  ['Note', ({ number }) => String(number)],
  ['Page', ({ page }) => page],
  ['Quote', ({ quote }) => quote],
  ['Says', (_, { text, written }) => (text === '' && written ? '(written)' : plainRemark(text))],
  ['Author', (_, { author }) => author],
  ['Date', (_, { madeAt }) => iso(madeAt)],
  ['Changed', (_, { editedAt }) => iso(editedAt)],
  ['Answer', ({ said }, one) => (one === said[0] ? '' : 'yes')],
  ['Labels', ({ labels }) => labels.join(', ')],
  ['Task', ({ task }) => (task ? task.kind || 'yes' : '')],
  ['Who', ({ task }) => task?.who ?? ''],
  ['Until', ({ task }) => task?.until ?? ''],
  ['Settled', ({ settled }) => iso(settled?.at)],
  ['Settled by', ({ settled }) => settled?.by ?? ''],
];

/** Notes as a table, a line for each saying in reading order, times as ISO 8601 writes them; see {@link csvTable}. */
export const notesTable = (notes: readonly NoteRecord[]): string =>
  csvTable(
    COLUMNS.map(([title]) => title),
    notes.flatMap((note) => note.said.map((said) => COLUMNS.map(([, cell]) => cell(note, said)))),
  );
