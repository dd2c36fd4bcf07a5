import { readFileSync } from 'node:fs';
import { degrees, PDFDocument, rgb } from '@cantoo/pdf-lib';
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

test('squares to be ticked are found however they are drawn: their sides are dark, and nothing is within them', async () => {
  const doc = await PDFDocument.create();
  const page = doc.addPage([300, 300]);
  const line = { borderColor: rgb(0, 0, 0), borderWidth: 0.7 };
  page.drawRectangle({ x: 30, y: 250, width: 8, height: 8, ...line });
  page.drawRectangle({ x: 30, y: 220, width: 11, height: 10, color: rgb(1, 1, 1), ...line });
  // As a path that is closed, and one that comes back to where it began.
  page.drawSvgPath('M0 0H12V12H0Z', { x: 30, y: 210, ...line });
  page.drawSvgPath('M0 0H12V12H0V0', { x: 30, y: 180, ...line });
  // None of these: too long, filled, turned, too large.
  page.drawRectangle({ x: 100, y: 250, width: 30, height: 10, ...line });
  page.drawRectangle({ x: 100, y: 220, width: 10, height: 10, color: rgb(0, 0, 0), ...line });
  page.drawRectangle({ x: 100, y: 190, width: 10, height: 10, rotate: degrees(20), ...line });
  page.drawRectangle({ x: 100, y: 100, width: 60, height: 60, ...line });
  const bytes = await doc.save();
  const { squares } = await shapesOf(bytes);
  const corners = pairs(squares);
  expect(corners.map(({ x }) => Math.round(x)).filter((_, k) => k % 2 === 0)).toEqual([
    30, 30, 30, 30,
  ]);
  const sides = Array.from({ length: corners.length / 2 }, (_, k) => {
    const [a, b] = [corners[2 * k], corners[2 * k + 1]];
    const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    return [
      { x: a.x, y },
      { x: b.x, y },
      { x, y: a.y },
      { x, y: b.y },
    ];
  }).flat();
  expect(await darkAt(bytes, sides)).toBe(sides.length);
  const middles = Array.from({ length: corners.length / 2 }, (_, k) => ({
    x: (corners[2 * k].x + corners[2 * k + 1].x) / 2,
    y: (corners[2 * k].y + corners[2 * k + 1].y) / 2,
  }));
  expect(await darkAt(bytes, middles)).toBe(0);
});
