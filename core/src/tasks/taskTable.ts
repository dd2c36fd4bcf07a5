import { csvTable } from '../csv/index.ts';
import type { TaskRecord } from './taskRecords.ts';

const COLUMNS: readonly (readonly [title: string, cell: (task: TaskRecord) => string])[] = [
  ['Number', ({ number }) => String(number)],
  ['Kind', ({ kind }) => kind],
  ['Task', ({ title }) => title],
  ['Who', ({ who }) => who],
  ['Until', ({ until }) => until],
  ['State', ({ state }) => state],
  ['Page', ({ page }) => page],
  ['About', ({ about }) => about],
  ['Says', ({ says }) => says],
  ['Picture', ({ picture }) => picture?.name ?? ''],
  ['Labels', ({ labels }) => labels.join(', ')],
  ['Author', ({ author }) => author],
  ['Made', ({ madeAt }) => madeAt],
  ['Done', ({ doneAt }) => doneAt],
  ['Document', ({ document }) => document],
];

/** Tasks as a table, one a line beneath a line of titles; see {@link csvTable}. */
export const taskTable = (tasks: readonly TaskRecord[]): string =>
  csvTable(
    COLUMNS.map(([title]) => title),
    tasks.map((task) => COLUMNS.map(([, cell]) => cell(task))),
  );
