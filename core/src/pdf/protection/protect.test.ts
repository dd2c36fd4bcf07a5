import {
  type PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFRawStream,
  PDFString,
} from '@cantoo/pdf-lib';
import fc from 'fast-check';
import { wavePath } from '../../../testing/hand.ts';
import { pageRefsFor, written } from '../../../testing/marks.ts';
import { lockedPdf, pdfWith, plainPdf } from '../../../testing/pdfs.ts';
import { makeFixedCopy } from '../fixedCopy.ts';
import { inspectPdf } from '../inspect.ts';
import { makeLivingCopy } from '../living/livingCopy.ts';
import { openLivingCopy } from '../living/openLivingCopy.ts';
import { openPdf } from '../openPdf.ts';
import { withoutPdfA } from '../pdfA/claim.ts';
import { writeAnew } from '../library/writeAnew.ts';
import { isPasswordTooLong, lockedWith, protect, type Protection } from './protect.ts';

const SHA = 'a'.repeat(64);
/** Bits of what is allowed (ISO 32000-2, table 22), from 1. */
const PRINT = 3;
const CHANGE = 4;
const COPY = 5;
const READ_ALOUD = 10;
const PRINT_WELL = 12;

const WHO: Protection = {
  ...{ password: 'limpet', ownerPassword: 'nobody is told', mayPrint: false },
  ...{ mayCopy: true, mayChange: false },
};

async function marked(bytes: Uint8Array, password?: string) {
  const pages = pageRefsFor((await inspectPdf(bytes, password)).pages);
  return written(pages, [{ page: 0, id: 'wave', path: wavePath({ x: 40, y: 100 }, 150, 8, 3) }]);
}

async function fixed(bytes: Uint8Array, protection: Protection, password?: string) {
  const sources = [{ sha: SHA, bytes, ...(password === undefined ? {} : { password }) }];
  return makeFixedCopy(sources, await marked(bytes, password), { protection });
}

/** What a file says of its lock, and whether the bit of a permission is set in it. */
async function lockOf(bytes: Uint8Array) {
  const doc = await PDFDocument.load(bytes, { ignoreEncryption: true });
  const lock = doc.context.lookup(doc.context.trailerInfo.Encrypt, PDFDict);
  const number = (key: string): number => lock.lookup(PDFName.of(key), PDFNumber).asNumber();
  return {
    revision: number('R'),
    allows: (bit: number): boolean => ((number('P') >> (bit - 1)) & 1) === 1,
  };
}

test('a fixed copy is locked with AES-256, allows what is allowed, and opens with its password only', async () => {
  const copy = await fixed(await plainPdf(2), WHO);
  const { revision, allows } = await lockOf(copy.bytes);
  expect(revision).toBe(6);
  expect([PRINT, CHANGE, COPY, READ_ALOUD, PRINT_WELL].map(allows)).toEqual([
    ...[false, false, true, true, false],
  ]);
  await expect(openPdf(copy.bytes)).rejects.toMatchObject({ reason: 'locked' });
  await expect(openPdf(copy.bytes, 'winkle')).rejects.toMatchObject({ reason: 'wrong-password' });
  expect((await openPdf(copy.bytes, 'limpet')).getPageCount()).toBe(2);
  expect((await openPdf(copy.bytes, 'nobody is told')).getPageCount()).toBe(2);
  // Nothing of the page stands in the bytes as it is.
  expect(new TextDecoder('latin1').decode(copy.bytes)).not.toContain('of the shore');
});

test('no string stands in a locked file as it is, wherever it stands, and all are as they were when it is opened', async () => {
  const source = await pdfWith((page, doc) => {
    const { context, catalog } = doc;
    catalog.set(PDFName.of('Lang'), PDFString.of('gd-limpet'));
    const link = {
      ...{
        Type: 'Annot',
        Subtype: 'Link',
        Rect: [0, 0, 9, 9],
        Contents: PDFString.of('Kelp (wet)'),
      },
      A: { S: 'URI', URI: PDFString.of('https://shore.example/whelk') },
    };
    page.node.set(PDFName.of('Annots'), context.obj([link] as never));
    const content = context.stream('q Q', { Params: { Said: PDFHexString.fromText('Ebbe') } });
    page.node.addContentStream(context.register(content));
  });
  const strings = ['gd-limpet', 'Kelp', 'shore.example', '0045006200620065'];
  const text = (bytes: Uint8Array) => new TextDecoder('latin1').decode(bytes);
  expect(strings.filter((one) => text(source).includes(one))).toEqual(strings);
  const doc = await openPdf(source);
  protect(doc, WHO);
  const locked = await writeAnew(doc);
  expect(strings.filter((one) => text(locked).includes(one))).toEqual([]);
  const again = await openPdf(locked, 'limpet');
  expect(again.catalog.lookup(PDFName.of('Lang'), PDFHexString).decodeText()).toBe('gd-limpet');
  const [page] = again.getPages();
  const link = page.node.Annots()?.lookup(0, PDFDict);
  expect(link?.lookup(PDFName.of('Contents'), PDFHexString).decodeText()).toBe('Kelp (wet)');
  const action = link?.lookup(PDFName.of('A'), PDFDict);
  expect(action?.lookup(PDFName.of('URI'), PDFHexString).decodeText()).toBe(
    'https://shore.example/whelk',
  );
  const contents = page.node.Contents() as PDFArray;
  const last = contents.lookup(contents.size() - 1, PDFRawStream).dict.lookup(PDFName.of('Params'));
  expect((last as PDFDict).lookup(PDFName.of('Said'), PDFHexString).decodeText()).toBe('Ebbe');
});

test('a copy without a password opens for everybody, and asks for what is not allowed all the same', async () => {
  const copy = await fixed(await plainPdf(), { ...WHO, password: '' });
  expect((await openPdf(copy.bytes)).getPageCount()).toBe(1);
  expect((await lockOf(copy.bytes)).allows(CHANGE)).toBe(false);
});

test('any password locks as it is typed, and as another device would compose its letters', async () => {
  const some = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 30 });
  const source = await plainPdf();
  const passwords = fc.sample(
    some.filter((text) => !isPasswordTooLong(text)),
    { numRuns: 12, seed: 15 },
  );
  for (const password of ['Ebbe über Flut', 'Ebbe u\u0308ber Flut', '潮汐', ...passwords]) {
    const copy = await fixed(source, lockedWith(password));
    expect((await openPdf(copy.bytes, password.normalize('NFKC'))).getPageCount()).toBe(1);
  }
});

test('a password that would be cut off is refused', async () => {
  expect(isPasswordTooLong('x'.repeat(127))).toBe(false);
  expect(isPasswordTooLong('潮'.repeat(43))).toBe(true);
  await expect(fixed(await plainPdf(), lockedWith('x'.repeat(128)))).rejects.toThrow(RangeError);
});

test('a locked source stays locked where that is asked for, with the same password or another', async () => {
  const source = await lockedPdf('kelp');
  const same = await fixed(source, lockedWith('kelp'), 'kelp');
  expect(same.encryptionLost).toBe(false);
  expect((await openPdf(same.bytes, 'kelp')).getPageCount()).toBe(1);
  const other = await fixed(source, WHO, 'kelp');
  await expect(openPdf(other.bytes, 'kelp')).rejects.toMatchObject({ reason: 'wrong-password' });
});

test('a living copy is locked whole, and taken apart its source is locked as it was', async () => {
  const bytes = await plainPdf(2);
  const copy = await makeLivingCopy([{ sha: SHA, bytes }], await marked(bytes), {
    madeAt: 0,
    protection: WHO,
  });
  expect(copy.addedTo).toBe(false);
  await expect(openPdf(copy.bytes)).rejects.toMatchObject({ reason: 'locked' });
  const opened = await openLivingCopy(copy.bytes, 1, 'limpet');
  if (!opened) throw new Error('It is no living copy.');
  expect(opened.parts.filter(({ part }) => part === 'mark')).toHaveLength(1);
  await expect(openPdf(opened.source)).rejects.toMatchObject({ reason: 'locked' });
  expect((await openPdf(opened.source, 'limpet')).getPageCount()).toBe(2);
});

test('what is locked does not say that it is PDF/A any more', async () => {
  const doc = await PDFDocument.load(await plainPdf());
  doc.convertToPDFA({ conformance: '2B' });
  doc.setTitle('Ebbe & Flut – Stand');
  const copy = await fixed(await doc.save(), WHO);
  expect(copy.pdfALost).toBe(true);
  const again = await openPdf(copy.bytes, 'limpet');
  expect(again.getTitle()).toBe('Ebbe & Flut – Stand');
  expect((await fixed(await plainPdf(), WHO)).pdfALost).toBe(false);
});

test('only the claim is taken from metadata, however it is written', () => {
  const id = 'xmlns:a.b="http://www.aiim.org/pdfa/ns/id/"';
  const inElements = `<r ${id} about=""><a.b:part>2</a.b:part>\n<a.b:conformance >B</a.b:conformance><dc:title>2</dc:title></r>`;
  expect(withoutPdfA(inElements)).toBe(`<r ${id} about="">\n<dc:title>2</dc:title></r>`);
  const inAttributes = `<r ${id} a.b:part="2" a.b:conformance='B' axb:part="9"/>`;
  expect(withoutPdfA(inAttributes)).toBe(`<r ${id} axb:part="9"/>`);
  const other = '<r xmlns:pdfaid="urn:other" pdfaid:part="2"/>';
  expect(withoutPdfA(other)).toBe(other);
});
