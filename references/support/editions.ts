import { degrees, PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import { createCanvas } from '@napi-rs/canvas';
import { pagesOfSource } from '@marginalis/core/document';
import { type EditionPage, inkPictureOf, type SeenPage } from '@marginalis/core/edition';
import type { Vec } from '@marginalis/core/geometry';
import { inspectPdf } from '@marginalis/core/pdf';
import { openPages, openPrint, openToCompare, type Raster } from '@marginalis/core/pdfium';
import { type Print, readPrint } from '@marginalis/core/print';
import { startPdfium } from '../../cli/pdfium';
import { seededRandom } from '../../core/testing/seededRandom';

/** Editions of documents, made by rule, so that it is known where everything of them has gone. */

/** The pages of a file as they are compared. */
export async function editionOf(bytes: Uint8Array): Promise<EditionPage[]> {
  const { pages } = await inspectPdf(bytes);
  const open = openPrint(await startPdfium(), bytes);
  try {
    return pagesOfSource('a'.repeat(64), pages, String).map((page, k) => ({
      ...{ box: page.box, rotate: page.rotate, userUnit: page.userUnit },
      print: readPrint(open.raw(k)),
    }));
  } finally {
    open.close();
  }
}

/** The paragraphs of pages as words that every face can set; what stands at head and foot is left out. */
export function paragraphsIn(prints: readonly Print[]): string[][] {
  return prints.flatMap(({ lines, text }) => {
    const blocks = new Map<number, string[]>();
    for (const line of lines) {
      if (line.running) continue;
      const words = text
        .slice(line.from, line.to)
        .split(/\s+/)
        .map((word) => word.replace(/[^\x21-\x7e]/g, ''))
        .filter((word) => /[A-Za-z0-9]/.test(word));
      blocks.set(line.block, [...(blocks.get(line.block) ?? []), ...words]);
    }
    return [...blocks.values()].filter((words) => words.length > 0);
  });
}

/** How paragraphs are set. */
export interface Setting {
  /** Of the lines, points. */
  readonly width: number;
  readonly size: number;
}

const [LEFT, HEAD, FOOT] = [60, 780, 70];

/** Where a word was set: its page, from 0, its left end on the baseline, and how wide it is. */
export interface SetWord {
  readonly page: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** Sets paragraphs on A4 pages; where each word came to stand. */
export async function setParagraphs(
  paragraphs: readonly (readonly string[])[],
  { width, size }: Setting,
): Promise<{ readonly bytes: Uint8Array; readonly words: readonly (readonly SetWord[])[] }> {
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.TimesRoman);
  const space = font.widthOfTextAtSize(' ', size);
  const leading = 1.3 * size;
  let page = doc.addPage([595.28, 841.89]);
  let [x, y] = [LEFT, HEAD];
  const words: SetWord[][] = [];
  const nextLine = (): void => {
    [x, y] = [LEFT, y - leading];
    if (y < FOOT) [page, y] = [doc.addPage([595.28, 841.89]), HEAD];
  };
  for (const paragraph of paragraphs) {
    const placed: SetWord[] = [];
    for (const word of paragraph) {
      const wide = font.widthOfTextAtSize(word, size);
      if (x > LEFT && x + wide > LEFT + width) nextLine();
      page.drawText(word, { x, y, size, font });
      placed.push({ page: doc.getPageCount() - 1, x, y, width: wide });
      x += wide + space;
    }
    words.push(placed);
    nextLine();
    y -= leading / 2;
    if (y < FOOT) [page, y] = [doc.addPage([595.28, 841.89]), HEAD];
  }
  return { bytes: await doc.save(), words };
}

/** The pages of a file in another order, some of them left out, with pages of another file (or empty ones) between. */
export async function rearranged(
  bytes: Uint8Array,
  order: readonly (number | 'empty')[],
): Promise<Uint8Array> {
  const [from, to] = [await PDFDocument.load(bytes), await PDFDocument.create()];
  const copied = await to.copyPages(
    from,
    order.filter((k) => k !== 'empty'),
  );
  let next = 0;
  for (const k of order)
    if (k === 'empty') to.addPage([595.28, 841.89]);
    else to.addPage(copied[next++]);
  return to.save();
}

/** Every page of a file as a picture, so many pixels wide. */
export async function rastersOf(bytes: Uint8Array, width: number): Promise<Raster[]> {
  const { pages } = await inspectPdf(bytes);
  const open = openToCompare(await startPdfium(), bytes, width);
  try {
    return pages.map((_, k) => {
      const picture = open.picture(k);
      if (!picture) throw new Error(`Page ${k} cannot be drawn.`);
      return picture;
    });
  } finally {
    open.close();
  }
}

/** The pages of an edition as they are seen. */
export async function seenPages(
  bytes: Uint8Array,
  pages: readonly EditionPage[],
): Promise<SeenPage[]> {
  const rasters = await rastersOf(bytes, 480);
  return pages.map((box, page) => ({ page, box, picture: inkPictureOf(rasters[page]) }));
}

/** The pages of a file scanned again, each turned by so much about its middle (anticlockwise, radians) and moved; with the noise of a scanner. */
export async function rescanned(
  bytes: Uint8Array,
  { angle, by, seed }: { readonly angle: number; readonly by: Vec; readonly seed: number },
): Promise<Uint8Array> {
  const random = seededRandom(seed);
  const doc = await PDFDocument.create();
  const open = openPages(await startPdfium(), bytes);
  const sizes = Array.from({ length: open.pageCount }, (_, k) => open.size(k));
  open.close();
  for (const [k, raster] of (await rastersOf(bytes, 1240)).entries()) {
    const { width, height } = sizes[k] ?? { width: 595, height: 842 };
    const scale = raster.width / width;
    const canvas = createCanvas(raster.width, raster.height);
    const held = createCanvas(raster.width, raster.height);
    const image = held.getContext('2d').createImageData(raster.width, raster.height);
    image.data.set(raster.data);
    held.getContext('2d').putImageData(image, 0, 0);
    const ctx = canvas.getContext('2d');
    ctx.fillStyle = '#f4f3ee';
    ctx.fillRect(0, 0, canvas.width, canvas.height);
    ctx.translate(canvas.width / 2 + by.x * scale, canvas.height / 2 - by.y * scale);
    ctx.rotate(-angle);
    ctx.globalCompositeOperation = 'multiply';
    ctx.drawImage(held, -canvas.width / 2, -canvas.height / 2);
    const noisy = ctx.getImageData(0, 0, canvas.width, canvas.height);
    for (let n = 0; n < noisy.data.length; n++)
      if (n % 4 !== 3) noisy.data[n] += Math.round(16 * (random() - 0.5));
    ctx.putImageData(noisy, 0, 0);
    const picture = await doc.embedJpg(canvas.toBuffer('image/jpeg', 70));
    doc.addPage([width, height]).drawImage(picture, { x: 0, y: 0, width, height });
  }
  return doc.save();
}

/** The pages of a file, seen turned by so much, clockwise, degrees; what lies where in user space stays. */
export async function laidSo(bytes: Uint8Array, turn: number): Promise<Uint8Array> {
  if (turn === 0) return bytes;
  const doc = await PDFDocument.load(bytes);
  for (const page of doc.getPages()) page.setRotation(degrees(turn));
  return doc.save();
}
