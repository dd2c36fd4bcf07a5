import { type PDFDict, PDFDocument, PDFName } from '@cantoo/pdf-lib';
import fc from 'fast-check';
import { wavePath } from '../../../testing/hand.ts';
import { pageRefsFor, written } from '../../../testing/marks.ts';
import { plainPdf } from '../../../testing/pdfs.ts';
import { inspectPdf } from '../inspect.ts';
import { makeLivingCopy } from './livingCopy.ts';
import { openLivingCopy } from './openLivingCopy.ts';

const SHA = 'a'.repeat(64);

async function living(): Promise<Uint8Array> {
  const bytes = await plainPdf(2);
  const pages = pageRefsFor((await inspectPdf(bytes)).pages);
  const document = written(pages, [
    { page: 1, id: 'wave', path: wavePath({ x: 40, y: 100 }, 150, 8, 3) },
  ]);
  return (await makeLivingCopy([{ sha: SHA, bytes }], document, { madeAt: 0 })).bytes;
}

/** The same file with something else in place of what it keeps for ourselves. */
async function keeping(text: string): Promise<Uint8Array> {
  const doc = await PDFDocument.load(await living(), { updateMetadata: false });
  const own = (doc.catalog.lookup(PDFName.of('PieceInfo')) as PDFDict).lookup(
    PDFName.of('Marginalis'),
  ) as PDFDict;
  const kept = own.lookup(PDFName.of('Private')) as PDFDict;
  kept.set(PDFName.of('Parts'), doc.context.register(doc.context.flateStream(text)));
  return doc.save();
}

test('what somebody else has written in place of the parts makes it a file like any other', async () => {
  const spoilt = ['', '{', '{}', 'null', '[1]', '[{"part":"mark","record":{"kind":"ink"}}]'];
  for (const text of [...spoilt, ...fc.sample(fc.json(), { numRuns: 10, seed: 3 })]) {
    const opened = await openLivingCopy(await keeping(text), 1);
    // An empty list is a document with nothing on it.
    if (text.trim() !== '[]') expect({ text, opened }).toEqual({ text, opened: null });
  }
});

test('a file that another program has written anew gives its source without our marks', async () => {
  const doc = await PDFDocument.load(await living(), { updateMetadata: false });
  const opened = await openLivingCopy(await doc.save(), 1);
  if (!opened) throw new Error('It is no living copy.');
  expect(opened.parts.filter(({ part }) => part === 'mark')).toHaveLength(1);
  const source = await PDFDocument.load(opened.source);
  expect(source.getPage(1).node.Annots()?.size() ?? 0).toBe(0);
  expect(source.catalog.lookup(PDFName.of('PieceInfo'))).toBeUndefined();
});
