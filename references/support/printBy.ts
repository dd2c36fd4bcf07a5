import { spawnSync } from 'node:child_process';
import type { Box } from '@marginalis/core/geometry';
import { openPrint, type OpenPrint } from '@marginalis/core/pdfium';
import { type Print, readPrint } from '@marginalis/core/print';
import { startPdfium } from '../../cli/pdfium';
import { withFile } from './programs';

/** What is printed on pages, by us and by poppler, as words that can be compared. */

let starting: ReturnType<typeof startPdfium> | null = null;

/** The print of a document's pages, of no more than `most`. */
export async function printOf(bytes: Uint8Array, most = Infinity): Promise<Print[]> {
  const open: OpenPrint = openPrint(await (starting ??= startPdfium()), bytes);
  try {
    const count = Math.min(most, open.pageCount);
    return Array.from({ length: count }, (_, page) => readPrint(open.raw(page)));
  } finally {
    open.close();
  }
}

/** Marks of direction that poppler puts around what is written from the right (Unicode, explicit directional formatting). */
const DIRECTIONS = /[\u200e\u200f\u202a-\u202e\u2066-\u2069]/gu;
const tokens = (text: string): string[] =>
  text.replace(DIRECTIONS, '').normalize('NFKC').split(/\s+/u).filter(Boolean);

/** The words of a page as they are read: those that a line's end breaks are whole, as poppler has them. */
export function tokensOf({ text, lines }: Print): string[] {
  const parts = lines.map((line) => {
    const said = text.slice(line.from, line.to);
    return line.breaks ? said.slice(0, -1) : `${said}\n`;
  });
  return tokens(parts.join(''));
}

const poppler = (bytes: Uint8Array, page: number, options: readonly string[]): string =>
  withFile(bytes, (path) => {
    const pages = ['-f', String(page), '-l', String(page)];
    const { stdout, error } = spawnSync('pdftotext', ['-q', ...options, ...pages, path, '-'], {
      encoding: 'utf8',
      maxBuffer: 1 << 28,
    });
    if (error) throw error;
    return stdout;
  });

/** The same of a page (from 1) by poppler's pdftotext. */
export const tokensByPoppler = (bytes: Uint8Array, page: number): string[] =>
  tokens(poppler(bytes, page, []));

/** Poppler's words of a page (from 1) with their boxes as the page is seen, points, y down. */
export function boxesByPoppler(bytes: Uint8Array, page: number): { text: string; box: Box }[] {
  const WORD =
    /<word xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)">([^<]*)</gu;
  return [...poppler(bytes, page, ['-bbox']).matchAll(WORD)].map((found) => {
    const [minX, minY, maxX, maxY] = found.slice(1, 5).map(Number);
    return { text: plain(found[5]), box: { minX, minY, maxX, maxY } };
  });
}

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
};
const plain = (text: string): string =>
  text.replace(/&(\w+);/gu, (all, name: string) => ENTITIES[name] ?? all);

/** How many words two readings have in the same order: their longest common subsequence. */
export function inSameOrder(a: readonly string[], b: readonly string[]): number {
  let before = new Uint32Array(b.length + 1);
  for (const word of a) {
    const now = new Uint32Array(b.length + 1);
    for (let j = 0; j < b.length; j++)
      now[j + 1] = word === b[j] ? before[j] + 1 : Math.max(before[j + 1], now[j]);
    before = now;
  }
  return before[b.length];
}
