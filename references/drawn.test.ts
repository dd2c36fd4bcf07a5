import { readFileSync } from 'node:fs';
import { degrees, PDFDocument } from '@cantoo/pdf-lib';
import { displayMatrix, transform, type Vec } from '@marginalis/core/geometry';
import { inspectPdf } from '@marginalis/core/pdf';
import { openPrint } from '@marginalis/core/pdfium';
import type { DrawnShapes } from '@marginalis/core/print';
import { startPdfium } from '../cli/pdfium';
import { pictureBy } from './support/programs';

/** Rules and dots read from the operators of a page, against the page as MuPDF draws it (Debian package mupdf-tools). */

jest.setTimeout(120_000);

const worksheet = (): Uint8Array =>
  new Uint8Array(readFileSync('demo/documents/rock-pool-zones.pdf'));

const pairs = (numbers: Float32Array): Vec[] =>
  Array.from({ length: numbers.length / 2 }, (_, k) => ({
    x: numbers[2 * k],
    y: numbers[2 * k + 1],
  }));

async function shapesOf(bytes: Uint8Array): Promise<DrawnShapes> {
  const pdf = openPrint(await startPdfium(), bytes);
  try {
    return pdf.shapes(0);
  } finally {
    pdf.close();
  }
}

/** How many of some places of the first page are dark, within a pixel. */
async function darkAt(bytes: Uint8Array, places: readonly Vec[]): Promise<number> {
  const dpi = 144;
  const { width, data } = await pictureBy('MuPDF', bytes, 1, dpi);
  const { pages } = await inspectPdf(bytes);
  const matrix = displayMatrix(pages[0], dpi / 72);
  return places.filter((place) => {
    const { x, y } = transform(matrix, place);
    const near = [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => [dx, dy]));
    return near.some(([dx, dy]) => {
      const at = 4 * ((Math.round(y) + dy) * width + Math.round(x) + dx);
      return data[at] < 200;
    });
  }).length;
}

test.each([0, 90])(
  'the worksheet has ten dots and its answer lines where they are drawn, turned by %i°',
  async (turn) => {
    const doc = await PDFDocument.load(worksheet());
    doc.getPage(0).setRotation(degrees(turn));
    const bytes = await doc.save();
    const { rules, dots } = await shapesOf(bytes);
    const middles = pairs(dots);
    expect(middles).toHaveLength(10);
    expect(await darkAt(bytes, middles)).toBe(10);
    const ends = pairs(rules);
    // Name, group, and two lines for each of four answers.
    expect(ends.length / 2).toBeGreaterThanOrEqual(10);
    const inside = Array.from({ length: ends.length / 2 }, (_, k) => {
      const [a, b] = [ends[2 * k], ends[2 * k + 1]];
      return [0.1, 0.5, 0.9].map((t) => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }));
    }).flat();
    expect(await darkAt(bytes, inside)).toBe(inside.length);
  },
);
