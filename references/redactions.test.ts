import { readFileSync } from 'node:fs';
import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFRawStream,
  PDFString,
  rgb,
} from '@cantoo/pdf-lib';
import { type DocState, markChange } from '@marginalis/core/document';
import type { PictureMark } from '@marginalis/core/kinds';
import { drawInk, lineWith } from '@marginalis/core/editing';
import {
  boxCorners,
  boxesMeet,
  boxOfPoints,
  displayMatrix,
  growBox,
  type Box,
  transformBox,
} from '@marginalis/core/geometry';
import { makeFixedCopy, makeLivingCopy, openLivingCopy } from '@marginalis/core/pdf';
import { aroundQuad, textBeneath } from '@marginalis/core/print';
import { FIRST_ROLL } from '@marginalis/core/marks';
import { textFiles } from '../cli/faces';
import { prove } from '../cli/proving';
import { draw } from '../cli/smaller';
import { annotatedPdf } from '../core/testing/annotatedPdf';
import { smallPicture } from '../core/testing/attachment';
import { done } from '../core/testing/marks';
import { quadOf } from '../core/testing/quads';
import { seededRandom } from '../core/testing/seededRandom';
import { deflate } from './support/markedCopy';
import { complaintOfQpdf, newComplaints, pictureBy, textOf } from './support/programs';
import { realPdf, realPdfs } from './support/realPdfs';
import { barred, everything, opened, SHA } from './support/redacted';

/**
 * What lies beneath bars is gone from copies: words (poppler's pdftotext, and every stream and string that qpdf decodes), pixels and lines (MuPDF draws the copy
 * with the bars taken off it). Beside the bars no pixel differs. Content: ISO 32000-1 §8, §9.
 */

const DPI = 60;
/** Lines that are tried of a document. */
const LINES = process.env.REFERENCES === 'all' ? 5 : 2;
const sample = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));

const OTHERS = realPdfs()
  .filter(({ name }) => !/numeric|introduction|policy/.test(name))
  .map((one) => ({ name: one.name, bytes: () => realPdf(one) }));
const TEXTS = [
  { name: 'the reading', bytes: () => sample('barnacles') },
  { name: 'the worksheet', bytes: () => sample('rock-pool-zones') },
  ...OTHERS,
];

const plain = (text: string): string => text.replace(/\s+/g, '');

/** Pixels of a page that differ from another's, beyond boxes of its user space. */
async function differing(
  a: Uint8Array,
  b: Uint8Array,
  index: number,
  boxes: readonly Box[],
  page: Parameters<typeof displayMatrix>[0],
): Promise<number> {
  const [p, q] = await Promise.all(
    [a, b].map((bytes) => pictureBy('MuPDF', bytes, index + 1, DPI)),
  );
  // The bar's own border is drawn on the pixels that it goes through.
  const seen = boxes.map((box) => growBox(transformBox(displayMatrix(page, DPI / 72), box), 1));
  let count = 0;
  for (let k = 0; k < p.data.length; k += 4) {
    const [x, y] = [(k / 4) % p.width, Math.floor(k / 4 / p.width)];
    const at = { minX: x, minY: y, maxX: x + 1, maxY: y + 1 };
    if (seen.some((box) => boxesMeet(box, at))) continue;
    if ([0, 1, 2].some((c) => p.data[k + c] !== q.data[k + c])) count++;
  }
  return count;
}

/** The same file without its bars: whatever they hid would be seen. They are drawn by the last stream of the page. */
async function withoutBars(bytes: Uint8Array): Promise<Uint8Array> {
  const doc = await PDFDocument.load(bytes);
  const contents = doc.getPage(0).node.lookup(PDFName.of('Contents'), PDFArray);
  const last = contents.size() - 1;
  const closing = new TextDecoder().decode(contents.lookup(last, PDFRawStream).getContents());
  expect(closing).toMatch(/^\s*Q q \/Artifact BMC \/\w+ Do EMC Q\s*$/);
  contents.set(last, doc.context.register(doc.context.stream('Q')));
  return doc.save();
}

test.each(TEXTS)(
  '$name: words that are redacted are in no copy, the rest is as it was',
  async ({ name, bytes: of }) => {
    const bytes = of();
    const index = 0;
    const { document, print } = await opened(bytes, index);
    const random = seededRandom(name.length);
    // On no other page, where it may stay.
    const all = plain(textOf(bytes));
    const fit = print.lines.filter(({ from, to }) => {
      const text = plain(print.text.slice(from, to));
      return text.length >= 8 && all.split(text).length === 2;
    });
    let tried = 0;
    for (let n = 0; n < LINES && fit.length > 0; n++) {
      const [{ from }] = fit.splice(Math.floor(random() * fit.length), 1);
      const line = lineWith(print, from);
      if (!line) continue;
      const marked = barred(document, index, [line.quad], textBeneath(print, [line.quad]));
      const box = boxOfPoints(aroundQuad(line.quad));
      const sources = [{ sha: SHA, bytes }];
      const fixed = await makeFixedCopy(sources, marked, { deflate, draw, ...textFiles });
      const living = await makeLivingCopy(sources, marked, {
        deflate,
        draw,
        madeAt: 1,
        ...textFiles,
      });
      for (const copy of [fixed, living]) {
        expect(complaintOfQpdf(copy.bytes)).toBeNull();
        expect(newComplaints(bytes, copy.bytes)).toEqual([]);
        const [was, is] = [bytes, copy.bytes].map((b) => plain(textOf(b).split('\f')[index]));
        if (!was.includes(plain(line.was))) continue;
        expect(is).not.toContain(plain(line.was));
        expect(is.length).toBeGreaterThanOrEqual(was.length - plain(line.was).length - 2);
        expect(everything(copy.bytes)).not.toContain(line.was.trim());
        expect(await differing(bytes, copy.bytes, index, [box], document.pages[index])).toBe(0);
      }
      const { proof } = await prove({ source: bytes, document: marked }, fixed.bytes);
      const [page] = proof.pages;
      expect([page.still, page.unread, page.alike]).toEqual(['', '', true]);
      const open = await openLivingCopy(living.bytes, 2);
      expect(JSON.stringify(open?.parts)).not.toContain(
        JSON.stringify(line.was.trim()).slice(1, -1),
      );
      expect(open?.parts.some(({ part }) => part === 'mark')).toBe(true);
      tried++;
    }
    process.stderr.write(`${name}: ${tried} lines redacted\n`);
    expect(tried).toBeGreaterThan(0);
  },
);

/** A page of everything else: a scanned page, lines and curves, text that is drawn as lines. */
test.each([
  ['a scan', 'tide-log', { minX: 120, minY: 500, maxX: 300, maxY: 560 }],
  ['a drawing', 'rock-pool-zones', { minX: 300, minY: 400, maxX: 420, maxY: 500 }],
  ['a form', 'equipment-form', { minX: 60, minY: 512, maxX: 400, maxY: 700 }],
])('%s: beneath a bar nothing is left, beside it no pixel differs', async (_, name, box) => {
  const bytes = sample(name);
  const isScan = name === 'tide-log';
  const { document, print } = await opened(bytes, 0);
  const quad = quadOf(box);
  const marked = barred(document, 0, [quad], textBeneath(print, [quad]));
  const copy = await makeFixedCopy([{ sha: SHA, bytes }], marked, { deflate, draw, ...textFiles });
  expect(copy.picturesLost).toBe(0);
  expect(complaintOfQpdf(copy.bytes)).toBeNull();
  expect(await differing(bytes, copy.bytes, 0, [box], document.pages[0])).toBe(0);
  const { proof } = await prove({ source: bytes, document: marked }, copy.bytes);
  for (const page of proof.pages)
    expect([page.still, page.unread, page.alike]).toEqual(['', '', true]);
  // With the bars taken off one colour is left: that of the paper, or black where a picture was.
  const bare = await withoutBars(copy.bytes);
  expect((await coloursWithin(bytes, document, box)).length).toBeGreaterThan(1);
  expect(await coloursWithin(copy.bytes, document, box)).toEqual([BLACK]);
  expect(await coloursWithin(bare, document, box)).toEqual([
    isScan ? BLACK : expect.not.stringMatching(BLACK),
  ]);
});

const BLACK = '0,0,0';

/** The colours of a part of a first page, well within it. */
async function coloursWithin(bytes: Uint8Array, { pages }: DocState, box: Box): Promise<string[]> {
  const { data, width } = await pictureBy('MuPDF', bytes, 1, DPI);
  const { minX, minY, maxX, maxY } = growBox(
    transformBox(displayMatrix(pages[0], DPI / 72), box),
    -2,
  );
  const colours = new Set<string>();
  for (let y = Math.ceil(minY); y < maxY; y++)
    for (let x = Math.ceil(minX); x < maxX; x++) {
      const at = 4 * (y * width + x);
      colours.add([...data.slice(at, at + 3)].join());
    }
  return [...colours];
}

test('what stands beside the pages says nothing of it either', async () => {
  const doc = await PDFDocument.load(sample('rock-pool-zones'));
  const secret = 'Halophila stipulacea';
  doc.getPage(0).drawText(secret, { x: 72, y: 60, size: 12, color: rgb(0, 0, 0) });
  doc.setTitle(`On ${secret} in pools`);
  doc.setSubject(`On ${secret.toUpperCase()}`);
  doc.catalog.set(PDFName.of('Lang'), PDFString.of('en'));
  const outline = doc.context.obj({ Type: 'Outlines', Count: 1 });
  const ref = doc.context.register(outline);
  const item = doc.context.obj({ Title: PDFHexString.fromText(secret), Parent: ref });
  const first = doc.context.register(item);
  outline.set(PDFName.of('First'), first);
  outline.set(PDFName.of('Last'), first);
  doc.catalog.set(PDFName.of('Outlines'), ref);
  const xmp = `<x:xmpmeta xmlns:x="adobe:ns:meta/"><a>${secret}</a></x:xmpmeta>`;
  doc.catalog.set(
    PDFName.of('Metadata'),
    doc.context.register(
      doc.context.stream(new TextEncoder().encode(xmp), { Type: 'Metadata', Subtype: 'XML' }),
    ),
  );
  await doc.attach(new TextEncoder().encode(`All about ${secret}`), 'notes.txt', {
    mimeType: 'text/plain',
    description: `About ${secret}`,
  });
  const bytes = await doc.save();
  expect(everything(bytes)).toContain(secret);
  const { document, print } = await opened(bytes, 0);
  const from = print.text.indexOf(secret);
  const line = lineWith(print, from);
  if (!line) throw new Error('The line is not found.');
  const bookmark = {
    ...{ id: 'b', title: `About ${secret}`, page: 'a0', at: null, parent: null },
    ...{ order: 0, madeAt: 1 },
  };
  const named = { ...document, bookmarks: new Map([['b', bookmark]]) };
  const marked = barred(named, 0, [line.quad], textBeneath(print, [line.quad]));
  const sources = [{ sha: SHA, bytes }];
  const copyOf = { title: `All on ${secret}`, madeAt: 1 };
  const fixed = await makeFixedCopy(sources, marked, { deflate, draw, copyOf, ...textFiles });
  const living = await makeLivingCopy(sources, marked, { deflate, draw, madeAt: 1, ...textFiles });
  for (const copy of [fixed, living]) {
    expect(copy.redacted?.attachments).toBe(1);
    expect(complaintOfQpdf(copy.bytes)).toBeNull();
    expect(everything(copy.bytes).toLowerCase()).not.toContain(secret.toLowerCase());
    expect(Buffer.from(copy.bytes).toString('latin1')).not.toContain(secret);
  }
});

test('annotations of others, their answers, and one’s own marks beneath a bar are in no copy', async () => {
  const bytes = await annotatedPdf();
  const { document: bare, print } = await opened(bytes, 0);
  const { texts, rects } = await annotationsIn(bytes);
  // Over all that others have written on the page, but not over its last line.
  const box = growBox(boxOfPoints(rects.flatMap(boxCorners)), 2);
  const ink = { id: 'ink', page: 'a0', instrument: FIRST_ROLL[0], madeAt: 1 };
  const at = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const samples = [0, 1, 2, 3].map((k) => ({
    ...{ x: at.x + 5 * k, y: at.y + k, t: 8 * k, pressure: 0.5, tiltX: 0, tiltY: 0 },
  }));
  const inked = done(bare, drawInk(bare, { ...ink, samples }));
  // A picture of which nothing but what lies beneath is made.
  const photograph = smallPicture('f'.repeat(64));
  const put: PictureMark = {
    ...{ kind: 'picture', id: 'photo', page: 'a0', order: 9, madeAt: 1, source: photograph.id },
    style: { colour: '#000000', width: 1, opacity: 1 },
    ...{ place: [60, 0, 0, 40, at.x - 30, at.y - 20], says: 'A cutting' },
  };
  const written = done(inked, {
    label: 'Put a picture',
    changes: [
      { part: 'attachment', id: photograph.id, before: null, after: photograph },
      markChange(null, put),
    ],
  });
  const quad = quadOf(box);
  const marked = barred(written, 0, [quad], textBeneath(print, [quad]));
  const sources = [{ sha: SHA, bytes }];
  const fixed = await makeFixedCopy(sources, marked, { deflate, draw, ...textFiles });
  const living = await makeLivingCopy(sources, marked, { deflate, draw, madeAt: 1, ...textFiles });
  expect(texts.length).toBeGreaterThan(3);
  for (const copy of [fixed, living]) {
    expect(complaintOfQpdf(copy.bytes)).toBeNull();
    for (const said of texts) expect(everything(copy.bytes)).not.toContain(said);
    expect(await differing(bytes, copy.bytes, 0, [box], bare.pages[0])).toBe(0);
  }
  const open = await openLivingCopy(living.bytes, 2);
  const marks = open?.parts.flatMap((one) => (one.part === 'mark' ? [one.value.kind] : []));
  expect(marks).toEqual(['redaction']);
  expect(open?.parts.some(({ part }) => part === 'attachment')).toBe(false);
  const { proof } = await prove({ source: bytes, document: marked, annotated: [0] }, fixed.bytes);
  expect(proof.pages.map(({ still, alike }) => [still, alike])).toEqual([['', true]]);
});

/** What annotations of a first page say, and where they are. */
async function annotationsIn(bytes: Uint8Array): Promise<{ texts: string[]; rects: Box[] }> {
  const doc = await PDFDocument.load(bytes);
  const list = doc.getPage(0).node.Annots()?.asArray() ?? [];
  const dicts = list.map((entry) => doc.context.lookup(entry, PDFDict));
  const texts = dicts.flatMap((dict) => {
    const said = dict.lookup(PDFName.of('Contents'));
    return said instanceof PDFString && said.decodeText().length > 3 ? [said.decodeText()] : [];
  });
  const rects = dicts.map((dict) => toBox(dict.lookup(PDFName.of('Rect'), PDFArray).asRectangle()));
  return { texts, rects };
}

const toBox = ({
  x,
  y,
  width,
  height,
}: {
  x: number;
  y: number;
  width: number;
  height: number;
}): Box => ({
  ...{ minX: x, minY: y, maxX: x + width, maxY: y + height },
});
