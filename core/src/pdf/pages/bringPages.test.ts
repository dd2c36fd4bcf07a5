import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFPageLeaf,
  PDFRawStream,
  type PDFRef,
  PDFString,
} from '@cantoo/pdf-lib';
import fc from 'fast-check';
import { arrangePages } from './arrange.ts';
import { bringPages } from './bringPages.ts';
import { Destinations } from './destinations.ts';
import { spell } from './labels.ts';
import { entriesOf, joinOutlines } from './outlineOf.ts';

const name = (text: string): PDFName => PDFName.of(text);
const COUNT = 5;

/**
 * Five pages that say which they are. Each has a link to every page, to even ones by a name; entries of an outline and roman numbers too; a tag and a thread.
 */
async function linked(): Promise<PDFDocument> {
  const doc = await PDFDocument.create();
  const { context, catalog } = doc;
  for (let k = 0; k < COUNT; k++) doc.addPage([200, 300]).drawText(`page ${k}`);
  const refs = doc.getPages().map(({ ref }) => ref);
  const placeOf = (k: number) => context.obj([refs[k], 'XYZ', 10, 20 + k, null]);
  const names = refs.flatMap((_, k) => [PDFString.of(`place ${k}`), placeOf(k)]);
  catalog.set(name('Names'), context.obj({ Dests: { Names: names } }));
  const wayTo = (k: number): PDFDict =>
    k % 2 === 0
      ? context.obj({ A: { S: 'GoTo', D: PDFString.of(`place ${k}`) } })
      : context.obj({ Dest: placeOf(k) });
  doc.getPages().forEach(({ node, ref }, on) => {
    const links = refs.map((_, to) => {
      const link = wayTo(to);
      for (const [key, value] of Object.entries({ Subtype: 'Link', Rect: [0, 0, 9, 9], P: ref }))
        link.set(name(key), context.obj(value as never));
      link.set(name('StructParent'), context.obj(100 + on));
      return context.register(link);
    });
    node.set(name('Annots'), context.obj(links));
    node.set(name('StructParents'), context.obj(on));
  });
  const root = context.obj({ Type: 'Outlines' });
  const rootRef = context.register(root);
  const entries = refs.map((_, k) => {
    const dict = wayTo(k);
    dict.set(name('Title'), PDFHexString.fromText(`Chapter ${k}`));
    dict.set(name('Parent'), rootRef);
    dict.set(name('SE'), context.register(context.obj({ Pg: refs[0] })));
    return { dict, ref: context.register(dict) };
  });
  entries.forEach(({ dict }, k) => {
    if (k > 0) dict.set(name('Prev'), entries[k - 1].ref);
    if (k + 1 < COUNT) dict.set(name('Next'), entries[k + 1].ref);
  });
  root.set(name('First'), entries[0].ref);
  root.set(name('Last'), entries[COUNT - 1].ref);
  catalog.set(name('Outlines'), rootRef);
  catalog.set(name('PageLabels'), context.obj({ Nums: [0, { S: 'r' }] }));
  return doc;
}

/** Where a link or an entry leads: which of these pages; -1 for none. */
function ledTo(item: PDFDict, refs: readonly PDFRef[]): number {
  const to = item.lookup(name('Dest')) ?? item.lookupMaybe(name('A'), PDFDict)?.lookup(name('D'));
  return to instanceof PDFArray ? refs.indexOf(to.get(0) as PDFRef) : -1;
}

const pagesIn = ({ context }: PDFDocument): number =>
  context.enumerateIndirectObjects().filter(([, object]) => object instanceof PDFPageLeaf).length;

test('links, entries and names lead to the pages that came, and of the others nothing comes', async () => {
  const some = fc.uniqueArray(fc.nat({ max: COUNT - 1 }), { minLength: 1, maxLength: COUNT });
  await fc.assert(
    fc.asyncProperty(some, async (indices) => {
      const into = await PDFDocument.create();
      const own = into.addPage([200, 300]);
      const { pages, outline, names, linksPruned, labels } = bringPages(
        into,
        await linked(),
        indices,
      );
      const brought = indices.flatMap((index) => pages.get(index) ?? []);
      arrangePages(into, [own, ...brought]);
      expect(pagesIn(into)).toBe(1 + indices.length);
      expect(linksPruned).toBe(indices.length * (COUNT - indices.length));
      expect(labels?.map(spell)).toEqual(['i', 'ii', 'iii', 'iv', 'v']);
      const refs = brought.map(({ ref }) => ref);
      const inOrder = [...indices].sort((a, b) => a - b).map((index) => indices.indexOf(index));
      for (const { node } of brought) {
        expect(node.has(name('StructParents'))).toBe(false);
        const links = node.lookup(name('Annots'), PDFArray);
        const led = links.asArray().map((_, k) => ledTo(links.lookup(k, PDFDict), refs));
        expect(led.filter((to) => to >= 0)).toEqual(inOrder);
      }
      const entries = outline ? [...entriesOf(outline)] : [];
      expect(entries.map(({ dict }) => ledTo(dict, refs))).toEqual(inOrder);
      expect(entries.some(({ dict }) => dict.has(name('SE')))).toBe(false);
      expect(names.map(([called]) => called.decodeText()).sort()).toEqual(
        [...indices].sort().map((k) => `place ${k}`),
      );
      const bytes = await into.save();
      const again = await PDFDocument.load(bytes);
      expect(pagesIn(again)).toBe(1 + indices.length);
    }),
    { numRuns: 25 },
  );
});

test('two outlines become one, in which every entry knows its neighbours; a name that is taken stays what it is', async () => {
  const into = await linked();
  const first = into.catalog.lookup(name('Outlines'), PDFDict);
  const { outline, names, pages } = bringPages(into, await linked(), [1, 3]);
  if (!outline) throw new Error('There is no outline.');
  arrangePages(into, [...into.getPages(), ...pages.values()]);
  joinOutlines(into, [{ dict: first, ref: into.catalog.get(name('Outlines')) as PDFRef }, outline]);
  const titles: string[] = [];
  let before: PDFDict | undefined;
  for (let at = first.lookupMaybe(name('First'), PDFDict); at;) {
    expect(at.lookupMaybe(name('Prev'), PDFDict)).toBe(before);
    expect(at.lookup(name('Parent'))).toBe(first);
    titles.push(at.lookup(name('Title'), PDFHexString).decodeText());
    before = at;
    at = at.lookupMaybe(name('Next'), PDFDict);
  }
  expect(titles.map((title) => title.at(-1)).join('')).toBe('0123413');
  expect(first.lookup(name('Last'))).toBe(before);
  expect(first.lookup(name('Count'))?.toString()).toBe('7');
  const places = new Destinations(into, into.getPages());
  const [, taken] = places.all().find(([called]) => called.decodeText() === 'place 1') ?? [];
  places.add([
    ...names,
    [PDFString.of('Afar'), into.context.obj([pages.get(3)?.ref ?? null, 'Fit'])],
  ]);
  const now = new Destinations(into, into.getPages()).all();
  expect(now.map(([called]) => called.decodeText())).toEqual([
    'Afar',
    ...[0, 1, 2, 3, 4].map((k) => `place ${k}`),
  ]);
  expect(now[2][1]).toBe(taken);
});

test('layers that were off stay off, and those that were on are on', async () => {
  const other = await PDFDocument.create();
  const page = other.addPage([200, 300]);
  const layers = ['answers', 'questions', 'unused'].map((called) =>
    other.context.register(other.context.obj({ Type: 'OCG', Name: PDFString.of(called) })),
  );
  page.node.set(
    name('Resources'),
    other.context.obj({ Properties: { A: layers[0], Q: layers[1] } }),
  );
  other.catalog.set(
    name('OCProperties'),
    other.context.obj({ OCGs: layers, D: { OFF: [layers[0]] } }),
  );
  const into = await PDFDocument.create();
  into.addPage();
  bringPages(into, other, [0]);
  const all = into.catalog.lookup(name('OCProperties'), PDFDict);
  const called = (array: PDFArray): string[] =>
    array
      .asArray()
      .map((_, k) => array.lookup(k, PDFDict).lookup(name('Name'), PDFString).decodeText());
  expect(called(all.lookup(name('OCGs'), PDFArray))).toEqual(['answers', 'questions']);
  expect(called(all.lookup(name('D'), PDFDict).lookup(name('OFF'), PDFArray))).toEqual(['answers']);
});

test('what pages share comes once, and streams come as they are', async () => {
  const other = await PDFDocument.create();
  const shared = other.context.register(other.context.stream('q Q', { Length: 3 }));
  for (let k = 0; k < 3; k++) other.addPage([50, 50]).node.set(name('Contents'), shared);
  const into = await PDFDocument.create();
  const { pages } = bringPages(into, other, [2, 0]);
  const refs = [...pages.values()].map(({ node }) => node.get(name('Contents')));
  expect(refs[0]).toBe(refs[1]);
  const stream = into.context.lookup(refs[0]);
  expect(stream instanceof PDFRawStream && Buffer.from(stream.contents).toString()).toBe('q Q');
});
