import { readFileSync } from 'node:fs';
import { PDFArray, PDFDict, PDFDocument, PDFName, type PDFPage } from '@cantoo/pdf-lib';
import { cropPage, type DocState } from '@marginalis/core/document';
import {
  type Box,
  boxesMeet,
  boxHeight,
  boxHolds,
  boxOfPoints,
  boxWidth,
  displayMatrix,
  growBox,
  type PageBox,
  transformBox,
} from '@marginalis/core/geometry';
import { makeFixedCopy, makeLivingCopy, openLivingCopy } from '@marginalis/core/pdf';
import { aroundQuad, type Print, quadsOf, textOf as printedIn } from '@marginalis/core/print';
import { textFiles } from '../cli/faces';
import { prove } from '../cli/proving';
import { draw } from '../cli/smaller';
import { annotatedPdf } from '../core/testing/annotatedPdf';
import { deflate } from './support/markedCopy';
import { complaintOfQpdf, newComplaints, pictureBy, streamsOf, textOf } from './support/programs';
import { realPdf, realPdfs } from './support/realPdfs';
import { opened, SHA } from './support/redacted';

/**
 * What pages are cut down from is nowhere in a copy that leaves it out: no words (poppler's pdftotext, and every stream and string that qpdf decodes), no lines and
 * pixels (MuPDF draws the page as large as it was). What is seen looks as it did (poppler). Boxes of pages: ISO 32000-1 §14.11.2.
 */

const DPI = 72;
const sample = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));

const SAMPLES = [
  ...['barnacles', 'tide-log', 'loan-form'],
  ...(process.env.REFERENCES === 'all' ? ['rock-pool-zones', 'equipment-form'] : []),
];

const ALL: { name: string; bytes: () => Uint8Array | Promise<Uint8Array> }[] = [
  ...SAMPLES.map((name) => ({ name, bytes: () => sample(name) })),
  { name: 'annotations of others', bytes: annotatedPdf },
  ...realPdfs()
    .filter(({ name }) => !/numeric|introduction|policy/.test(name))
    .map((one) => ({ name: one.name, bytes: () => realPdf(one) })),
];

const cutTo = (document: DocState, crop: Box): DocState => ({
  ...document,
  pages: document.pages.map((page, k) => (k === 0 ? cropPage(page, crop) : page)),
});

/** The words of a page, each with where it is. */
const wordsOf = (print: Print): { text: string; box: Box }[] =>
  [...print.text.matchAll(/\S{6,}/g)].map(({ 0: text, index }) => {
    const range = { from: index, to: index + text.length };
    return {
      text: printedIn(print, range),
      box: boxOfPoints(quadsOf(print, range).flatMap(aroundQuad)),
    };
  });

type Picture = Awaited<ReturnType<typeof pictureBy>>;

/** The decoded content of a file's pages and forms: fonts say who made them, metadata what the file is about. */
const contentOf = (bytes: Uint8Array): string =>
  [...streamsOf(bytes).values()]
    .map((data) => Buffer.from(data, 'base64').toString('latin1'))
    .filter((text) => /\b(Tj|TJ|Do)\b/.test(text))
    .join('\n');

/** A copy whose first page has no more room than what is seen of it: by that renderers lay their pixels. */
async function asLargeAsSeen(bytes: Uint8Array): Promise<Uint8Array> {
  const doc = await PDFDocument.load(bytes);
  const page = doc.getPage(0);
  const { x, y, width, height } = page.getCropBox();
  page.setMediaBox(x, y, width, height);
  return doc.save();
}

const rectsOn = (page: PDFPage): Box[] =>
  (page.node.Annots()?.asArray() ?? []).map((entry) => {
    const rect = page.doc.context.lookup(entry, PDFDict).lookup(PDFName.of('Rect'), PDFArray);
    const { x, y, width, height } = rect.asRectangle();
    // Readers that draw highlights themselves give them round ends.
    return growBox({ minX: x, minY: y, maxX: x + width, maxY: y + height }, 6);
  });

/** How much of a first page's picture is not white, beyond a box of its user space and its annotations; it is drawn as large as it was. */
async function inkBeyond(bytes: Uint8Array, sheet: Box, box: Box): Promise<string[]> {
  const doc = await PDFDocument.load(bytes);
  const page = doc.getPage(0);
  page.setMediaBox(sheet.minX, sheet.minY, boxWidth(sheet), boxHeight(sheet));
  page.setCropBox(sheet.minX, sheet.minY, boxWidth(sheet), boxHeight(sheet));
  const { width, data } = await pictureBy('MuPDF', await doc.save(), 1, DPI);
  const rotate = page.getRotation().angle as PageBox['rotate'];
  const display = displayMatrix({ box: sheet, rotate, userUnit: 1 }, DPI / 72);
  const places = [box, ...rectsOn(page)].map((one) => transformBox(display, one));
  const found: string[] = [];
  for (let k = 0; k < data.length; k += 4) {
    const [x, y] = [(k / 4) % width, Math.floor(k / 4 / width)];
    const at = { minX: x, minY: y, maxX: x + 1, maxY: y + 1 };
    if (places.some((one) => boxesMeet(one, at))) continue;
    const isInk = [0, 1, 2].some((c) => data[k + c] < 250);
    if (isInk && found.length < 9) found.push(`${x} ${y}`);
  }
  return found;
}

/** A curve that is cut is drawn in other pieces: few pixels at its edges may differ by some levels of 255. */
const LEVELS = 48;
const FEW = 0.001;

function expectAlike(a: Picture, b: Picture): void {
  expect([a.width, a.height]).toEqual([b.width, b.height]);
  const apart = Array.from(a.data, (level, k) => Math.abs(level - b.data[k]));
  expect(Math.max(...apart.filter((by) => by > LEVELS), 0)).toBe(0);
  expect(apart.filter((by) => by > 0).length).toBeLessThanOrEqual(FEW * a.data.length);
}

test.each(ALL)(
  '$name: what is cut away is gone, what is seen is as it was',
  async ({ bytes: of }) => {
    const bytes = await of();
    const { document, print } = await opened(bytes, 0);
    const { sheet } = document.pages[0];
    const [wide, high] = [boxWidth(sheet), boxHeight(sheet)];
    // Through lines and columns, as it comes.
    const crop: Box = {
      ...{ minX: sheet.minX + 0.27 * wide, maxX: sheet.minX + 0.71 * wide },
      ...{ minY: sheet.minY + 0.463 * high, maxY: sheet.minY + 0.911 * high },
    };
    const cut = cutTo(document, crop);
    const sources = [{ sha: SHA, bytes }];
    const options = { deflate, draw, ...textFiles };
    const kept = await makeFixedCopy(sources, cut, options);
    const fixed = await makeFixedCopy(sources, cut, { ...options, withoutCut: true });
    const living = await makeLivingCopy(sources, cut, { ...options, madeAt: 1, withoutCut: true });
    const [was, is] = await Promise.all(
      [await asLargeAsSeen(kept.bytes), fixed.bytes].map((copy) =>
        pictureBy('poppler, Splash', copy, 1, 96),
      ),
    );
    expectAlike(is, was);

    const words = wordsOf(print);
    const largest = Math.max(0, ...print.lines.map(({ size }) => size));
    const all = textOf(bytes);
    const beyond = words.filter(({ box }) => !boxesMeet(growBox(box, largest), crop));
    const outside = beyond.filter(({ text }) => all.split(text).length === 2);
    const inside = words.filter(({ box }) => boxHolds(crop, box));
    for (const copy of [fixed.bytes, living.bytes]) {
      expect(complaintOfQpdf(copy)).toBeNull();
      expect(newComplaints(bytes, copy)).toEqual([]);
      const [text, found] = [textOf(copy), contentOf(copy)];
      expect(outside.filter(({ text: one }) => text.includes(one))).toEqual([]);
      expect(outside.filter(({ text: one }) => found.includes(one))).toEqual([]);
      const onPage = text.split('\f')[0].replace(/\s+/g, '');
      expect(inside.filter(({ text: one }) => !onPage.includes(one.replace(/\s+/g, '')))).toEqual(
        [],
      );
      // Letters and annotations that are seen in part are whole.
      expect(await inkBeyond(copy, sheet, growBox(crop, largest + 3))).toEqual([]);
    }
    // Annotations without an appearance are in no fixed copy, whatever is cut away.
    const before = await prove({ source: bytes, document: cut }, kept.bytes);
    const after = await prove({ source: bytes, document: cut, withoutCut: true }, fixed.bytes);
    expect(after.proof.pages.map(({ still }) => still)).toEqual(after.proof.pages.map(() => ''));
    expect(after.proof.alike).toBe(before.proof.alike);
    // What is asked of it would be found.
    const whole = await prove({ source: bytes, document: cut, withoutCut: true }, kept.bytes);
    if (beyond.length > 0) expect(whole.proof.pages[0].still).not.toBe('');
    const open = await openLivingCopy(living.bytes, 2);
    const page = open?.parts.flatMap((one) => (one.part === 'page' ? [one.value] : []))[0];
    expect(page?.crop).toBeNull();
  },
);

test('a picture that reaches into sight and cannot be read goes whole, and is counted though no bar lies anywhere', async () => {
  const doc = await PDFDocument.create();
  const page = doc.addPage([400, 400]);
  const picture = doc.context.stream(Uint8Array.of(1, 2, 3), {
    ...{ Type: 'XObject', Subtype: 'Image', Width: 4, Height: 4, Filter: 'JPXDecode' },
  });
  const named = { XObject: { P: doc.context.register(picture) } };
  page.node.set(PDFName.of('Resources'), doc.context.obj(named as never));
  const content = doc.context.stream('q 200 0 0 200 50 50 cm /P Do Q');
  page.node.set(PDFName.of('Contents'), doc.context.register(content));
  const bytes = await doc.save();
  const { document } = await opened(bytes, 0);
  const cut = cutTo(document, { minX: 150, minY: 0, maxX: 400, maxY: 400 });
  const copy = await makeFixedCopy([{ sha: SHA, bytes }], cut, {
    ...{ deflate, withoutCut: true },
    ...textFiles,
  });
  expect([copy.picturesLost, copy.redacted]).toEqual([1, null]);
});
