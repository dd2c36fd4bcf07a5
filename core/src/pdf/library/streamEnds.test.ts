import fc from 'fast-check';
import { PDFDocument, PDFName, type PDFRawStream, PDFRef } from '@cantoo/pdf-lib';
import {
  ascii,
  joined,
  pageObjects,
  rawPdf,
  type RawObject,
  rawStream,
} from '../../../testing/rawPdf.ts';
import { openPdf } from '../openPdf.ts';

/** The bytes of object 4, a stream whose length is object 5. */
async function contentsOf(file: Uint8Array): Promise<Uint8Array> {
  const stream = (await openPdf(file)).context.lookup(PDFRef.of(4));
  return (stream as PDFRawStream).contents;
}
const content = (data: Uint8Array): RawObject => [4, rawStream('/Length 5 0 R', data)];
const length = (data: Uint8Array): RawObject => [5, String(data.length)];

/** What data may end in that looks like the end of a stream, or holds words of the file's own. */
const awkward = fc.constantFrom(
  '\n',
  '\r',
  '\r\n',
  '\n\n',
  ' \n',
  'endstream',
  'stream',
  'q',
  '5 0 obj',
);
const data = fc
  .array(fc.oneof(awkward, fc.string({ maxLength: 6 })), { minLength: 1, maxLength: 8 })
  .map((parts) => Uint8Array.from(parts.join(''), (c) => c.charCodeAt(0) & 255));

test('a stream whose length stands in another object, before or after it, is read as it stands', async () => {
  await fc.assert(
    fc.asyncProperty(data, fc.boolean(), async (bytes, before) => {
      const pair = [content(bytes), length(bytes)];
      const file = rawPdf([...pageObjects(), ...(before ? pair.reverse() : pair)]);
      expect(await contentsOf(file)).toEqual(bytes);
    }),
  );
});

test('a short stream is not completed from a place that looks like its end', async () => {
  // Elsewhere in the file "q" is followed by something else than a line end.
  const bytes = ascii('q\n');
  const other: RawObject = [6, rawStream('/Length 9', ascii('q> 0 0 m\n'))];
  const file = rawPdf([other, ...pageObjects(), content(bytes), length(bytes)]);
  expect(await contentsOf(file)).toEqual(bytes);
});

test('a length that stands in an object stream is used once it is known', async () => {
  const bytes = ascii('1 w\r\n');
  const held = ascii(`5 0\n${bytes.length}`);
  const objects = rawStream(`/Type /ObjStm /N 1 /First 4 /Length ${held.length}`, held);
  expect(await contentsOf(rawPdf([...pageObjects(), content(bytes), [7, objects]]))).toEqual(bytes);
});

test('a stated length that leads beside the end of the stream is not believed', async () => {
  const bytes = ascii('0 0 m 9 9 l S');
  for (const wrong of [0, 3, bytes.length + 4, 99999]) {
    const file = rawPdf([...pageObjects(), content(bytes), [5, String(wrong)]]);
    expect(await contentsOf(file)).toEqual(bytes);
  }
});

test('an encrypted stream by its length is decrypted whole', async () => {
  const made = await PDFDocument.create();
  made
    .addPage([300, 400])
    .node.set(
      PDFName.of('Contents'),
      made.context.register(made.context.stream('0 0 m 90 90 l S\r\n')),
    );
  made.encrypt({ userPassword: 'limpet', ownerPassword: 'whelk', permissions: {} });
  const file = await made.save({ useObjectStreams: false });
  const text = new TextDecoder('latin1').decode(file);
  const at = /\/Length (\d+)\n>>\nstream/.exec(text);
  const size = at?.[1] ?? '';
  const indirect = joined(
    text
      .replace(`/Length ${size}\n>>\nstream`, '/Length 99 0 R\n>>\nstream')
      .replace('\nxref', `\n99 0 obj\n${size}\nendobj\nxref`),
  );
  const doc = await openPdf(indirect, 'limpet');
  const contents = doc.context.lookup(doc.getPage(0).node.get(PDFName.of('Contents')));
  expect(new TextDecoder().decode((contents as PDFRawStream).contents)).toBe('0 0 m 90 90 l S\r\n');
});
