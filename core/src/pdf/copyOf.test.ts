import { PDFDocument, PDFHexString, PDFName, PDFString } from '@cantoo/pdf-lib';
import { copyOfIn, noteCopyOf } from './copyOf.ts';
import { inspectPdf } from './inspect.ts';

async function copy(change: (doc: PDFDocument) => void): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.addPage([200, 300]);
  change(doc);
  return doc.save();
}
const MADE = Date.UTC(2026, 10, 26, 9, 30);

test('a copy says what it is of, and when it was made, in any script', async () => {
  const bytes = await copy((doc) =>
    noteCopyOf(doc, { title: 'Rock-pool “zones” – Łódź', madeAt: MADE }),
  );
  expect((await inspectPdf(bytes)).copyOf).toEqual({
    title: 'Rock-pool “zones” – Łódź',
    madeAt: MADE,
  });
});

test('a copy of a copy says it of the last one; a document without information gets some', async () => {
  const bytes = await copy((doc) => {
    delete (doc.context.trailerInfo as { Info?: unknown }).Info;
    noteCopyOf(doc, { title: 'one', madeAt: MADE });
    noteCopyOf(doc, { title: 'another', madeAt: MADE + 60_000 });
  });
  expect((await inspectPdf(bytes)).copyOf).toEqual({ title: 'another', madeAt: MADE + 60_000 });
});

test('what is not ours, or is damaged, says nothing, and refuses nothing', async () => {
  expect((await inspectPdf(await copy(() => undefined))).copyOf).toBeNull();
  for (const [title, made] of [
    [PDFHexString.fromText('x'), PDFString.of('yesterday')],
    [PDFName.of('x'), PDFString.fromDate(new Date(MADE))],
    [PDFHexString.fromText('   '), PDFString.fromDate(new Date(MADE))],
  ] as const) {
    const doc = await PDFDocument.create();
    doc.setTitle('t');
    const info = doc.context.lookup(doc.context.trailerInfo.Info) as never as {
      set(key: PDFName, value: unknown): void;
    };
    info.set(PDFName.of('MarginalisCopyOf'), title);
    info.set(PDFName.of('MarginalisCopyMade'), made);
    expect(copyOfIn(doc)).toBeNull();
  }
});
