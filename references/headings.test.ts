import { readFileSync } from 'node:fs';
import { openPrint } from '@marginalis/core/pdfium';
import { headingsOf, headingsOn, readPrint } from '@marginalis/core/print';
import { startPdfium } from '../cli/pdfium';
import { READING } from '../demo/content/reading';
import { outlineByMupdf } from './support/programs';
import { type RealPdf, realPdf, realPdfs } from './support/realPdfs';

/** Contents made of headings, against the outline that the authors of outside manuals have given them, as MuPDF reads it (Debian package mupdf-tools). */

jest.setTimeout(240_000);

/** Those with an outline of their own, and the share of its entries that must be found. */
const KNOWN = ['statistics introduction', 'policy manual', 'numeric language manual'];
const files = realPdfs().filter(({ name }) => KNOWN.includes(name));

/** Without the numbers and points that outlines leave out and pages have, or the other way round. */
const plain = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

test('the headings of the reading are those it was written with', async () => {
  const open = openPrint(
    await startPdfium(),
    new Uint8Array(readFileSync('demo/documents/barnacles.pdf')),
  );
  const pages = Array.from({ length: open.pageCount }, (_, page) =>
    headingsOn(readPrint(open.raw(page))),
  );
  open.close();
  const found = headingsOf(pages).map(({ text }) => text);
  for (const { heading } of READING) expect(found).toContain(heading);
});

// A sample of the files has none of them.
if (files.length > 0)
  test.each(files.map((pdf): [string, RealPdf] => [pdf.name, pdf]))(
    'at least nine of ten headings of the %s are found on their pages',
    async (name, pdf) => {
      const bytes = realPdf(pdf);
      const open = openPrint(await startPdfium(), bytes);
      const pages = Array.from({ length: open.pageCount }, (_, page) =>
        headingsOn(readPrint(open.raw(page))),
      );
      open.close();
      const headings = headingsOf(pages);
      const known = outlineByMupdf(bytes);
      const left = new Set(headings);
      let found = 0;
      for (const { title, page } of known) {
        const wanted = plain(title);
        for (const heading of left) {
          if (Math.abs(heading.page - page) > 1 || !plain(heading.text).endsWith(wanted)) continue;
          left.delete(heading);
          found++;
          break;
        }
      }
      console.log(`${name}: ${found} of ${known.length} headings; ${headings.length} proposed`);
      expect(known.length).toBeGreaterThan(100);
      expect(found / known.length).toBeGreaterThan(0.9);
    },
  );
