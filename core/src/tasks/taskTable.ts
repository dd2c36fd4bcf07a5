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

/**
 * Tasks as a table, one a line beneath a line of titles: CSV as RFC 4180 writes it, lines ended by CR LF, with the sign before it that has spreadsheets read it as UTF-8.
 * What a spreadsheet would take for a formula is kept from being one by an apostrophe.
 */
export function taskTable(tasks: readonly TaskRecord[]): string {
  const lines = [
    COLUMNS.map(([title]) => title),
    ...tasks.map((task) => COLUMNS.map(([, cell]) => cell(task))),
  ];
  return `\uFEFF${lines.map((cells) => `${cells.map(cellOf).join(',')}\r\n`).join('')}`;
}

function cellOf(text: string): string {
  const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
