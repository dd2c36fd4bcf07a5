import { openPrint } from '@marginalis/core/pdfium';
import { readPrint } from '@marginalis/core/print';
import type { Io } from '../io.ts';
import { startPdfium } from '../pdfium.ts';

const rounded = (n: number): number => Math.round(n * 1000) / 1000;

/** Prints the words of a PDF in reading order, one JSON object a line; boxes in user space. */
export async function words(io: Io, file: string, password?: string): Promise<void> {
  const source = await io.read(file);
  const open = openPrint(await startPdfium(), source, password);
  let count = 0;
  for (let page = 0; page < open.pageCount; page++) {
    const print = readPrint(open.raw(page));
    for (const { from, to, line, box } of print.words) {
      count++;
      io.row({
        page: page + 1,
        text: print.text.slice(from, to),
        box: [box.minX, box.minY, box.maxX, box.maxY].map(rounded),
        line,
        column: print.lines[line].column,
      });
    }
  }
  open.close();
  io.say(`${file}: ${open.pageCount} pages, ${count} words.`);
}
