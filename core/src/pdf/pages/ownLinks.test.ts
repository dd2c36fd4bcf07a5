import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFString } from '@cantoo/pdf-lib';
import { pageRefsFor } from '../../../testing/marks.ts';
import { addAnnotation, everythingIn, pdfWith } from '../../../testing/pdfs.ts';
import {
  type DocState,
  documentOfParts,
  emptyDocument,
  type OwnLink,
} from '../../document/index.ts';
import { box } from '../../geometry/index.ts';
import { makeFixedCopy } from '../fixedCopy.ts';
import { inspectPdf } from '../inspect.ts';
import { makeLivingCopy } from '../living/livingCopy.ts';
import { openLivingCopy } from '../living/openLivingCopy.ts';
import { openPdf } from '../openPdf.ts';

const SHA = 'a'.repeat(64);
const name = (text: string): PDFName => PDFName.of(text);
const own = (id: string, more: Partial<OwnLink>): OwnLink => ({
  ...{ id, page: 'p0', area: box(10, 10, 60, 30), to: { page: 'p2', at: null }, framed: false },
  ...more,
});

/** Three pages, the first with two links: to the second page, and out. */
const linked = (): Promise<Uint8Array> =>
  pdfWith((page, doc, index) => {
    if (index > 0) return;
    const uri = doc.context.obj({ S: 'URI', URI: PDFString.of('https://gone.example/secret') });
    addAnnotation(page, { Subtype: 'Link', Rect: [100, 100, 160, 120], Dest: [page.ref, 'Fit'] });
    addAnnotation(page, { Subtype: 'Link', Rect: [100, 200, 160, 220], A: uri });
  }, 3);

async function documentOf(bytes: Uint8Array, links: readonly OwnLink[]): Promise<DocState> {
  const pages = pageRefsFor((await inspectPdf(bytes)).pages).map((page, index) => ({
    ...page,
    shows: { source: SHA, index },
  }));
  return { ...emptyDocument(pages), links: new Map(links.map((one) => [one.id, one])) };
}

/** The links of a page: where they lie, and where they lead. */
function linksIn(doc: PDFDocument, index = 0): string[] {
  const pages = doc.getPages();
  const list = pages[index].node.lookup(name('Annots'));
  if (!(list instanceof PDFArray)) return [];
  return list.asArray().flatMap((_, k) => {
    const dict = list.lookup(k, PDFDict);
    if (dict.get(name('Subtype')) !== name('Link')) return [];
    const at = dict.lookup(name('Rect'), PDFArray).asArray().join(' ');
    const dest = dict.lookupMaybe(name('Dest'), PDFArray);
    if (!dest)
      return [`${at} → ${dict.lookup(name('A'), PDFDict).lookup(name('URI'))?.toString()}`];
    const [page, ...rest] = dest.asArray();
    return [`${at} → ${pages.findIndex(({ ref }) => ref === page)} ${rest.join(' ')}`];
  });
}

const LINKS = [
  own('page', { to: { page: 'p2', at: { x: 20, y: 300 } }, framed: true }),
  own('out', { area: box(10, 50, 60, 70), to: { address: 'https://tides.example/(a)?q=ä b%20c' } }),
  own('words', {
    area: box(10, 80, 90, 110),
    parts: [box(50, 100, 90, 110), box(10, 80, 40, 90)],
    to: { page: 'p1', at: null },
  }),
  own('dead', { to: { page: 'no page', at: null } }),
  own('other', {
    area: box(100, 100, 160, 120),
    instead: box(100, 100, 160, 120),
    to: { page: 'p2', at: null },
  }),
  own('gone', { area: box(100, 200, 160, 220), instead: box(100, 200, 160, 220), to: null }),
];

test('a fixed copy has one’s own links, and those of the file as they were changed; of what was removed nothing is left', async () => {
  const bytes = await linked();
  const copy = await makeFixedCopy([{ sha: SHA, bytes }], await documentOf(bytes, LINKS));
  expect(copy.linksDead).toBe(1);
  const doc = await openPdf(copy.bytes);
  expect(linksIn(doc)).toEqual([
    '10 10 60 30 → 2 /XYZ 20 300 null',
    '10 50 60 70 → (https://tides.example/\\(a\\)?q=%C3%A4%20b%20c)',
    '50 100 90 110 → 1 /XYZ 0 400 null',
    '10 80 40 90 → 1 /XYZ 0 400 null',
    '100 100 160 120 → 2 /XYZ 0 400 null',
  ]);
  const list = doc.getPage(0).node.lookup(name('Annots'), PDFArray);
  const framed = list.lookup(0, PDFDict);
  expect(framed.lookup(name('Border'), PDFArray).asArray().join(' ')).toBe('0 0 1');
  expect(await everythingIn(bytes)).toContain('gone.example');
  expect(await everythingIn(copy.bytes)).not.toContain('gone.example');
});

test('links that lead to a page which is not in the copy are left out, and counted', async () => {
  const bytes = await linked();
  const document = await documentOf(bytes, LINKS);
  const part = { ...document, pages: document.pages.slice(0, 2) };
  const copy = await makeFixedCopy([{ sha: SHA, bytes }], part);
  expect(linksIn(await openPdf(copy.bytes))).toHaveLength(3);
  expect(copy.linksDead).toBe(3);
});

test.each(['added to', 'written anew'])(
  'a living copy, %s, gives them back, and the file’s',
  async (how) => {
    const bytes = await linked();
    const document = await documentOf(bytes, LINKS);
    const [first, ...rest] = document.pages;
    const asked = how === 'added to' ? document : { ...document, pages: [...rest, first] };
    const copy = await makeLivingCopy([{ sha: SHA, bytes }], asked, { madeAt: 1 });
    expect(copy.addedTo).toBe(how === 'added to');
    const at = how === 'added to' ? 0 : 2;
    expect(linksIn(await openPdf(copy.bytes), at)).toHaveLength(5);
    const opened = await openLivingCopy(copy.bytes, 2);
    expect(opened?.elsewhere.changes).toEqual([]);
    const again = await openPdf(opened?.source ?? new Uint8Array());
    expect(linksIn(again, at)).toEqual([
      `100 100 160 120 → ${at} /Fit`,
      '100 200 160 220 → (https://gone.example/secret)',
    ]);
    const back = documentOfParts(asked.pages, opened?.parts ?? []);
    expect([...back.links.keys()].sort()).toEqual(
      LINKS.map(({ id }) => id)
        .filter((id) => id !== 'dead')
        .sort(),
    );
  },
);
