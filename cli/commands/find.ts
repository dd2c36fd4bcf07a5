import { openPrint } from '@marginalis/core/pdfium';
import { findInPrint, quadsOf, quoteOf, readPrint } from '@marginalis/core/print';
import type { Io } from '../io.ts';
import { startPdfium } from '../pdfium.ts';

export interface FindArguments {
  readonly file: string;
  readonly term: string;
  readonly exact?: boolean;
  readonly whole?: boolean;
  readonly password?: string;
}

/** Prints where a term stands in a PDF, one JSON object a line: page, what is printed there and around it, and its quadrilaterals. */
export async function find(io: Io, { file, term, ...how }: FindArguments): Promise<void> {
  const source = await io.read(file);
  const open = openPrint(await startPdfium(), source, how.password);
  let count = 0;
  for (let page = 0; page < open.pageCount; page++) {
    const print = readPrint(open.raw(page));
    for (const range of findInPrint(print, term, { exact: how.exact, wholeWords: how.whole })) {
      count++;
      const quads = quadsOf(print, range).map((quad) =>
        quad.flatMap(({ x, y }) => [x, y]).map((n) => Math.round(n * 1000) / 1000),
      );
      io.row({ page: page + 1, ...quoteOf(print, range), quads });
    }
  }
  open.close();
  io.say(`${file}: “${term}” stands there ${count} ${count === 1 ? 'time' : 'times'}.`);
}
