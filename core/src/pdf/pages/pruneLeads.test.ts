import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  type PDFObject,
  type PDFRef,
  PDFString,
} from '@cantoo/pdf-lib';
import { arrangePages } from './arrange.ts';
import { pruneLeads } from './pruneLeads.ts';

const name = (text: string): PDFName => PDFName.of(text);

interface Entry {
  readonly title: string;
  /** The page it leads to, by number, by name, or by an action. */
  readonly to?: number | string;
  readonly by?: 'action';
  readonly closed?: boolean;
  readonly kids?: readonly Entry[];
}

interface Laid {
  readonly doc: PDFDocument;
  readonly refs: readonly PDFRef[];
  readonly placeOf: (page: number) => PDFObject;
}

async function pages(count: number): Promise<Laid> {
  const doc = await PDFDocument.create();
  for (let k = 0; k < count; k++) doc.addPage([200, 300]);
  const refs = doc.getPages().map(({ ref }) => ref);
  return { doc, refs, placeOf: (page) => doc.context.obj([refs[page], 'Fit']) };
}

function outline({ doc, placeOf }: Laid, entries: readonly Entry[]): void {
  const { context } = doc;
  const lay = (parent: PDFDict, parentRef: PDFRef, all: readonly Entry[]): void => {
    const laid = all.map(({ title, to, by, closed, kids = [] }) => {
      const dict = context.obj({ Title: PDFHexString.fromText(title), Parent: parentRef });
      const place =
        typeof to === 'string' ? PDFString.of(to) : to === undefined ? null : placeOf(to);
      if (place && by) dict.set(name('A'), context.obj({ S: 'GoTo', D: place }));
      else if (place) dict.set(name('Dest'), place);
      const ref = context.register(dict);
      if (kids.length > 0) {
        dict.set(name('Count'), context.obj(closed ? -kids.length : kids.length));
        lay(dict, ref, kids);
      }
      return { ref, dict };
    });
    parent.set(name('First'), laid[0].ref);
    parent.set(name('Last'), laid[laid.length - 1].ref);
    laid.forEach(({ dict }, k) => {
      if (laid[k + 1]) dict.set(name('Next'), laid[k + 1].ref);
      if (laid[k - 1]) dict.set(name('Prev'), laid[k - 1].ref);
    });
  };
  const root = context.obj({ Type: 'Outlines' });
  const ref = context.register(root);
  lay(root, ref, entries);
  doc.catalog.set(name('Outlines'), ref);
}

/** Titles as they stand, with what is beneath; checks that every way through them agrees. */
function read(parent: PDFDict): unknown[] {
  const all: unknown[] = [];
  let before: PDFDict | undefined;
  let at = parent.lookupMaybe(name('First'), PDFDict);
  for (; at; at = at.lookupMaybe(name('Next'), PDFDict)) {
    expect(at.lookupMaybe(name('Prev'), PDFDict)).toBe(before);
    expect(at.lookup(name('Parent'))).toBe(parent);
    const kids = read(at);
    const title = at.lookup(name('Title'), PDFHexString).decodeText();
    const count = at.get(name('Count'))?.toString() ?? '';
    const leads = at.has(name('Dest')) || at.has(name('A'));
    all.push([`${title}${leads ? '' : ' (leads nowhere)'}${count && ` ${count}`}`, ...kids]);
    before = at;
  }
  expect(parent.lookupMaybe(name('Last'), PDFDict)).toBe(before);
  return all;
}

function keep({ doc }: Laid, which: readonly number[]): void {
  const row = which.map((page) => doc.getPages()[page]);
  arrangePages(doc, row);
  pruneLeads(doc, row);
}

test('entries to pages that are gone go; one with others beneath it stays and leads nowhere', async () => {
  const laid = await pages(4);
  const { doc, placeOf } = laid;
  const names = [PDFString.of('above'), placeOf(1), PDFString.of('below'), placeOf(3)];
  const tree = doc.context.obj({ Kids: [doc.context.obj({ Names: names })] });
  doc.catalog.set(name('Names'), doc.context.obj({ Dests: tree }));
  doc.catalog.set(name('Dests'), doc.context.obj({ old: placeOf(0), kept: placeOf(2) }));
  outline(laid, [
    { title: 'Cover', to: 0 },
    {
      title: 'Zones',
      to: 'above',
      kids: [
        { title: 'Splash', to: 2, by: 'action' },
        { title: 'Middle', to: 'above', by: 'action' },
      ],
    },
    {
      title: 'Tides',
      to: 'below',
      closed: true,
      kids: [
        { title: 'Neap', to: 3 },
        { title: 'Spring', to: 1 },
      ],
    },
    { title: 'Index', to: 'old' },
    { title: 'Anywhere' },
    { title: 'Unknown', to: 'nowhere' },
  ]);
  keep(laid, [2, 3]);
  const root = doc.catalog.lookup(name('Outlines'), PDFDict);
  expect(read(root)).toEqual([
    ['Zones (leads nowhere) 1', ['Splash']],
    ['Tides -1', ['Neap']],
    ['Anywhere (leads nowhere)'],
    ['Unknown'],
  ]);
  expect(root.get(name('Count'))?.toString()).toBe('5');
  const left = doc.catalog.lookup(name('Names'), PDFDict).lookup(name('Dests'), PDFDict);
  expect(left.lookup(name('Names'), PDFArray).size()).toBe(2);
  expect(doc.catalog.lookup(name('Dests'), PDFDict).keys()).toEqual([name('kept')]);
});

test('an outline that leads to nothing any more goes; one that runs in a circle ends', async () => {
  const laid = await pages(3);
  outline(laid, [{ title: 'Cover', to: 0 }]);
  keep(laid, [1]);
  expect(laid.doc.catalog.has(name('Outlines'))).toBe(false);

  const round = await pages(3);
  outline(round, [
    { title: 'A', to: 1 },
    { title: 'B', to: 2 },
  ]);
  const root = round.doc.catalog.lookup(name('Outlines'), PDFDict);
  const first = root.lookup(name('First'), PDFDict);
  first.lookup(name('Next'), PDFDict).set(name('Next'), root.get(name('First')) as PDFObject);
  keep(round, [1]);
  expect(read(root)).toEqual([['A']]);
});

test('an outline that the catalogue holds itself is pruned like others', async () => {
  const laid = await pages(2);
  outline(laid, [
    { title: 'Cover', to: 0 },
    { title: 'Zones', to: 1 },
  ]);
  const { catalog } = laid.doc;
  catalog.set(name('Outlines'), catalog.lookup(name('Outlines'), PDFDict));
  keep(laid, [1]);
  expect(read(catalog.lookup(name('Outlines'), PDFDict))).toEqual([['Zones']]);
  expect((await PDFDocument.load(await laid.doc.save())).getPageCount()).toBe(1);
});

test('links to pages that are gone lead nowhere', async () => {
  const laid = await pages(3);
  const { doc, placeOf } = laid;
  const link = (page: number) =>
    doc.context.obj({ Type: 'Annot', Subtype: 'Link', Rect: [0, 0, 9, 9], Dest: placeOf(page) });
  const [away, stays] = [link(0), link(2)];
  doc.getPages()[1].node.set(name('Annots'), doc.context.obj([away, stays]));
  keep(laid, [1, 2]);
  expect([away, stays].map((one) => one.has(name('Dest')))).toEqual([false, true]);
});
