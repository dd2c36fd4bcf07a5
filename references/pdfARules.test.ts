import { type PDFContext, PDFDict, PDFDocument, PDFName, type PDFObject } from '@cantoo/pdf-lib';
import { pdfA } from './support/pdfAByGhostscript';
import { brokenRules } from './support/pdfARules';
import { lockedByQpdf } from './support/programs';

/** Each rule of support/pdfARules against a file that breaks it, and is PDF/A-2b otherwise. */

jest.setTimeout(120_000);

const name = (text: string): PDFName => PDFName.of(text);
const stream = (context: PDFContext, content: string, entries: Record<string, unknown> = {}) =>
  context.register(context.stream(content, entries as never));
const FORM = { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 9, 9] };
const IMAGE = {
  ...{ Type: 'XObject', Subtype: 'Image', Width: 1, Height: 1, BitsPerComponent: 8 },
  ColorSpace: 'DeviceRGB',
};

/** What the first page may name. */
function named(doc: PDFDocument, kind: string, key: string, value: PDFObject): void {
  const resources = doc.getPage(0).node.Resources() as PDFDict;
  const held = resources.lookup(name(kind));
  const group = held instanceof PDFDict ? held : doc.context.obj({});
  group.set(name(key), value);
  resources.set(name(kind), group);
}
const drawn =
  (entries: Record<string, unknown>, content = '') =>
  (doc: PDFDocument) =>
    named(doc, 'XObject', 'X', stream(doc.context, content, { ...FORM, ...entries }));
const pictured = (entries: Record<string, unknown>) => (doc: PDFDocument) =>
  named(doc, 'XObject', 'X', stream(doc.context, 'abc', { ...IMAGE, ...entries }));
const state = (entries: Record<string, unknown>) => (doc: PDFDocument) =>
  named(doc, 'ExtGState', 'S', doc.context.obj(entries as never));
const annotated = (entries: Record<string, unknown>) => (doc: PDFDocument) => {
  const all = { Type: 'Annot', F: 4, Rect: [1, 1, 9, 9], ...entries };
  doc.getPage(0).node.set(name('Annots'), doc.context.obj([all] as never));
};
const appearance = (doc: PDFDocument, content = '', entries: Record<string, unknown> = {}) =>
  stream(doc.context, content, { ...FORM, ...entries });
const withoutIntent = ({ catalog }: PDFDocument): void =>
  catalog.delete(name('OutputIntents')) as never;
/** Every dictionary that `test` takes, changed. */
const every =
  (test: (dict: PDFDict) => boolean, change: (dict: PDFDict) => void) => (doc: PDFDocument) => {
    for (const [, object] of doc.context.enumerateIndirectObjects())
      if (object instanceof PDFDict && test(object)) change(object);
  };
const is = (key: string, value: string) => (dict: PDFDict) => dict.get(name(key)) === name(value);

const BREACHES: readonly (readonly [rule: string, change: (doc: PDFDocument) => void])[] = [
  ['6.1.3: no ID', (doc) => delete doc.context.trailerInfo.ID],
  ['6.6.4: it does not say', ({ catalog }) => catalog.delete(name('Metadata'))],
  ['6.5: scripts', (doc) => doc.catalog.set(name('AA'), doc.context.obj({}))],
  ['6.1.7: a filter', (doc) => drawn({ Filter: 'LZWDecode' })(doc)],
  ['6.1.7: data elsewhere', drawn({ F: 'elsewhere' })],
  ['6.2.8: an image', pictured({ Interpolate: true })],
  ['6.2.9: a form', drawn({ OPI: {} })],
  ['6.2.5: a transfer function', state({ TR: 'Identity' })],
  ['6.2.10: a blend mode', state({ BM: 'Shimmer' })],
  [
    '6.5.1: an action /Launch',
    ({ catalog, context }) => catalog.set(name('OpenAction'), context.obj({ S: 'Launch' })),
  ],
  ['6.1.13: graphics states', drawn({}, `${'q '.repeat(29)}${'Q '.repeat(29)}`)],
  [
    '6.2.11.3: the encoding of',
    every(is('Subtype', 'Type0'), (font) => font.set(name('Encoding'), name('UniJIS-UCS2-H'))),
  ],
  ['6.2.11.4:', every(is('Type', 'FontDescriptor'), (font) => font.delete(name('FontFile2')))],
  ['6.2.11.3:', every(is('Subtype', 'CIDFontType2'), (font) => font.delete(name('CIDToGIDMap')))],
  [
    '6.2.11.5:',
    every(is('Subtype', 'CIDFontType2'), (font) => {
      font.delete(name('W'));
      font.delete(name('DW'));
    }),
  ],
  ['6.2.4.3: DeviceRGB', withoutIntent],
  [
    '6.2.4.3: DeviceGray',
    (doc) => {
      withoutIntent(doc);
      drawn({}, '0.5 g')(doc);
    },
  ],
  ['6.2.4.3: DeviceCMYK', drawn({}, '0 0 0 1 k')],
  ['6.2.4.3: a picture in DeviceCMYK', pictured({ ColorSpace: 'DeviceCMYK' })],
  [
    '6.2.4.3: a picture in DeviceRGB',
    (doc) => {
      withoutIntent(doc);
      pictured({})(doc);
    },
  ],
  [
    '6.2.4.3: a picture in DeviceGray',
    (doc) => {
      withoutIntent(doc);
      pictured({ ColorSpace: 'DeviceGray' })(doc);
    },
  ],
  [
    '6.2.10: a group in DeviceRGB',
    (doc) => {
      withoutIntent(doc);
      drawn({ Group: { S: 'Transparency', CS: 'DeviceRGB' } })(doc);
    },
  ],
  [
    '6.2.10: transparency on a page',
    (doc) => {
      withoutIntent(doc);
      state({ ca: 0.5 })(doc);
    },
  ],
  ['6.3.1: an annotation /Movie', annotated({ Subtype: 'Movie' })],
  ['6.3.2: the flags of /Square', annotated({ Subtype: 'Square', F: 0 })],
  ['6.3.2: the flags of /Circle', annotated({ Subtype: 'Circle', F: 6 })],
  ['6.3.3: no appearance of /Square', annotated({ Subtype: 'Square' })],
  [
    '6.3.3: more than one appearance',
    (doc) => annotated({ Subtype: 'Square', AP: { N: appearance(doc), D: appearance(doc) } })(doc),
  ],
  [
    '6.2.10: a transparent annotation',
    (doc) => {
      withoutIntent(doc);
      const see = { ExtGState: { S: { ca: 0.5 } } };
      annotated({ Subtype: 'Square', AP: { N: appearance(doc, '', { Resources: see }) } })(doc);
    },
  ],
];

let source: Uint8Array;
beforeAll(() => {
  source = pdfA('rock-pool-zones', 'RGB');
});

test.each(BREACHES)('“%s …” is found', async (rule, change) => {
  const doc = await PDFDocument.load(source, { updateMetadata: false });
  change(doc);
  const broken = brokenRules(await doc.save({ useObjectStreams: false }));
  expect(broken).toContainEqual(expect.stringContaining(rule));
});

test('a locked file, and one whose header does not say that it is binary, are found', async () => {
  expect(brokenRules(source)).toEqual([]);
  expect(brokenRules(lockedByQpdf(source, '', ['256'], []))).toContain('6.1.3: encrypted');
  const plain = source.slice();
  plain.fill(0x2e, 10, 14);
  expect(brokenRules(plain)).toContain('6.1.2: the header');
});
