/** The sign before a text that has spreadsheets read it as UTF-8. */
const UTF_8 = '\uFEFF';

/**
 * A table as CSV (RFC 4180): a line of titles and the rows, lines ended by CR LF, as UTF-8 for spreadsheets. What one would take for a formula is kept from being
 * one by an apostrophe.
 */
export const csvTable = (titles: readonly string[], rows: readonly (readonly string[])[]): string =>
  UTF_8 + [titles, ...rows].map((cells) => `${cells.map(cellOf).join(',')}\r\n`).join('');

function cellOf(text: string): string {
  const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
