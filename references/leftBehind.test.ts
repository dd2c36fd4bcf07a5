import { readFileSync } from 'node:fs';
import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFRawStream,
  StandardFonts,
} from '@cantoo/pdf-lib';
import { type DocState, markChange } from '@marginalis/core/document';
import { correctPrint, emptyText, lineWith } from '@marginalis/core/editing';
import { type Box, boxOfPoints, growBox } from '@marginalis/core/geometry';
import type { PictureMark } from '@marginalis/core/kinds';
import { makeFixedCopy, makeLivingCopy, readForm } from '@marginalis/core/pdf';
import { FIRST_ROLL } from '@marginalis/core/marks';
import { aroundQuad, textBeneath } from '@marginalis/core/print';
import { textFiles } from '../cli/faces';
import { prove } from '../cli/proving';
import { draw } from '../cli/smaller';
import { smallPicture } from '../core/testing/attachment';
import { done } from '../core/testing/marks';
import { quadOf } from '../core/testing/quads';
import { deflate } from './support/markedCopy';
import { complaintOfQpdf, picturesIn, streamsOf, textOf } from './support/programs';
import { barred, everything, opened, SHA } from './support/redacted';

/**
 * Of what is taken out of a page nothing stays in the file beside it: neither the piece it was drawn with, under the name that the page had for it (ISO 32000-1
 * §7.8.3), nor the picture as it was. Read back by qpdf and poppler.
 */

const SECRET = 'Halophila stipulacea';
const sample = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(`demo/documents/${name}.pdf`));

async function bothCopies(bytes: Uint8Array, document: DocState): Promise<Uint8Array[]> {
  const sources = [{ sha: SHA, bytes }];
  const fixed = await makeFixedCopy(sources, document, { deflate, draw, ...textFiles });
  const living = await makeLivingCopy(sources, document, {
    ...{ deflate, draw, madeAt: 1 },
    ...textFiles,
  });
  for (const copy of [fixed, living]) expect(complaintOfQpdf(copy.bytes)).toBeNull();
  return [fixed.bytes, living.bytes];
}

/** A page that says something by a piece, which another page may draw, too. */
async function byPieces(isSeenElsewhere: boolean): Promise<Uint8Array> {
  const piece = await PDFDocument.create();
  const font = await piece.embedFont(StandardFonts.Helvetica);
  piece.addPage([300, 60]).drawText(SECRET, { x: 10, y: 20, size: 14, font });
  const doc = await PDFDocument.create();
  const [form] = await doc.embedPdf(await piece.save());
  const page = doc.addPage([400, 400]);
  page.drawPage(form, { x: 40, y: 200 });
  page.drawText('What stays', { x: 40, y: 100, size: 14 });
  const other = doc.addPage([400, 400]);
  // Named by both, as programs do that have one list for all pages.
  other.node.set(PDFName.of('Resources'), page.node.Resources() ?? doc.context.obj({}));
  if (isSeenElsewhere) other.drawPage(form, { x: 40, y: 300 });
  else other.drawText('Nothing of it', { x: 40, y: 300, size: 14 });
  return doc.save();
}

const HEX = Buffer.from(SECRET).toString('hex').toUpperCase();
const says = (bytes: Uint8Array): boolean => everything(bytes).toUpperCase().includes(HEX);

test('a piece that was drawn is gone with what it said, whoever has a name for it', async () => {
  const bytes = await byPieces(false);
  expect(says(bytes)).toBe(true);
  const { document, print } = await opened(bytes, 0);
  const line = lineWith(print, print.text.indexOf(SECRET));
  if (!line) throw new Error('The line is not found.');
  const bar = barred(document, 0, [line.quad], textBeneath(print, [line.quad]));
  for (const copy of await bothCopies(bytes, bar)) {
    expect(says(copy)).toBe(false);
    expect(textOf(copy)).toContain('What stays');
    expect(textOf(copy)).toContain('Nothing of it');
  }
  const look = { family: 'sans', bold: false, italic: false, underline: false } as const;
  const corrected = done(
    document,
    correctPrint(document, {
      ...{ id: 'c', page: 'a0', line, says: 'Other words', baseline: line.quad[2] },
      ...{ look: { ...look, size: line.size, colour: '#000000' }, paper: '#ffffff', madeAt: 1 },
      ...{ set: { below: 0.95 * line.size, width: 6 * line.size }, stretch: 1 },
    }),
  );
  for (const copy of await bothCopies(bytes, corrected)) {
    expect(says(copy)).toBe(false);
    expect(textOf(copy)).toContain('Other words');
  }
});

test('a piece that another page draws stays there', async () => {
  const bytes = await byPieces(true);
  const { document, print } = await opened(bytes, 0);
  const line = lineWith(print, print.text.indexOf(SECRET));
  if (!line) throw new Error('The line is not found.');
  const bar = barred(document, 0, [line.quad], '');
  for (const copy of await bothCopies(bytes, bar)) {
    const [first, second] = textOf(copy).split('\f');
    expect(first).not.toContain(SECRET);
    expect(second).toContain(SECRET);
  }
});

test('of a scan of which some lies beneath, the picture as it was is in no copy', async () => {
  const bytes = sample('tide-log');
  const { document } = await opened(bytes, 0);
  const box = { minX: 120, minY: 500, maxX: 300, maxY: 560 };
  const bar = barred(document, 0, [quadOf(box)], '');
  const before = await scansOf(bytes);
  for (const copy of await bothCopies(bytes, bar)) {
    expect(picturesIn(copy)).toHaveLength(picturesIn(bytes).length);
    const streams = new Set(await scansOf(copy));
    expect(before.map((one) => streams.has(one))).toEqual([false, true, true]);
  }
});

/** The pictures of a file as they stand in it. */
async function scansOf(bytes: Uint8Array): Promise<string[]> {
  const { context } = await PDFDocument.load(bytes);
  return context
    .enumerateIndirectObjects()
    .flatMap(([, one]) =>
      one instanceof PDFRawStream && one.dict.get(PDFName.of('Subtype')) === PDFName.of('Image')
        ? [Buffer.from(one.contents).toString('base64')]
        : [],
    );
}

test('text and pictures of one’s own that a bar lies over are in no copy', async () => {
  const bytes = sample('rock-pool-zones');
  const { document } = await opened(bytes, 0);
  const photograph = smallPicture('f'.repeat(64));
  const put: PictureMark = {
    ...{ kind: 'picture', id: 'photo', page: 'a0', order: 9, madeAt: 1, source: photograph.id },
    style: { colour: '#000000', width: 1, opacity: 1 },
    ...{ place: [60, 0, 0, 40, 100, 300], says: 'A cutting' },
  };
  const [instrument] = FIRST_ROLL.flatMap((one) => (one.kind === 'text-box' ? [one] : []));
  const empty = emptyText(document, {
    ...{ id: 'typed', page: 'a0', instrument, at: { x: 100, y: 380 } },
    ...{ angle: 0, width: 200, madeAt: 1 },
  });
  const [span] = empty.block.spans;
  const typed = { ...empty, block: { ...empty.block, spans: [{ ...span, text: SECRET }] } };
  const marked = done(document, {
    label: 'Put',
    changes: [
      { part: 'attachment', id: photograph.id, before: null, after: photograph },
      markChange(null, put),
      markChange(null, typed),
    ],
  });
  const [all] = await bothCopies(bytes, marked);
  expect(textOf(all)).toContain(SECRET);
  const own = Buffer.from(photograph.data, 'base64').toString('latin1');
  const held = (copy: Uint8Array): boolean => Buffer.from(copy).toString('latin1').includes(own);
  expect(held(all)).toBe(true);
  const box: Box = growBox(
    boxOfPoints([
      { x: 100, y: 300 },
      { x: 300, y: 385 },
    ]),
    5,
  );
  const bar = barred(marked, 0, [quadOf(box)], '');
  for (const copy of await bothCopies(bytes, bar)) {
    expect(textOf(copy)).not.toContain(SECRET);
    expect(held(copy)).toBe(false);
    expect([...streamsOf(copy).values()].join()).not.toContain(photograph.data);
  }
  const [fixed] = await bothCopies(bytes, bar);
  const { proof } = await prove({ source: bytes, document: bar }, fixed);
  expect(proof.pages.map(({ still, alike }) => [still, alike])).toEqual([['', true]]);
});

test('a field that a bar lies over is gone from the form, all others are there', async () => {
  const bytes = sample('loan-form');
  const { document } = await opened(bytes, 0);
  const { fields } = await readForm(bytes);
  for (const one of fields.filter(({ widgets }) => widgets[0].page === 0)) {
    const box = growBox(one.widgets[0].box, -1);
    const [, living] = await bothCopies(bytes, barred(document, 0, [quadOf(box)], ''));
    const { fields: left } = await readForm(living);
    const gone = one.widgets.length === 1 ? [one.name] : [];
    expect(left.map(({ name }) => name)).toEqual(
      fields.map(({ name }) => name).filter((name) => !gone.includes(name)),
    );
    // The list of the form names what there is.
    const doc = await PDFDocument.load(living);
    const named = doc.getForm().acroForm.dict.lookup(PDFName.of('Fields'), PDFArray);
    expect(named.asArray().map((entry) => doc.context.lookup(entry) instanceof PDFDict)).toEqual(
      named.asArray().map(() => true),
    );
  }
});

test('a bar that cuts letters takes them whole, which is no fault of the copy', async () => {
  const bytes = sample('rock-pool-zones');
  const { document, print } = await opened(bytes, 0);
  const line = lineWith(print, print.text.indexOf('Rock-pool zones'));
  if (!line) throw new Error('The line is not found.');
  const { minX, minY, maxX, maxY } = boxOfPoints(aroundQuad(line.quad));
  const upper = quadOf({ minX, maxX, minY: minY + 0.35 * (maxY - minY), maxY });
  const bar = barred(document, 0, [upper], textBeneath(print, [upper]));
  const [fixed] = await bothCopies(bytes, bar);
  expect(textOf(fixed)).not.toContain('Rock-pool zones');
  const { proof } = await prove({ source: bytes, document: bar }, fixed);
  expect(proof.pages.map(({ still, unread, alike }) => [still, unread, alike])).toEqual([
    ['', '', true],
  ]);
});
