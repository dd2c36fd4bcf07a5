import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFNull,
  type PDFObject,
  PDFString,
} from '@cantoo/pdf-lib';
import { arrangePages } from '../pages/arrange.ts';
import { pruneStructure } from './pruneStructure.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** Three pages: a section over the first two, one over the third, one that has a link, and one that says nothing of any page. */
async function tagged() {
  const doc = await PDFDocument.create();
  for (let k = 0; k < 3; k++) doc.addPage([200, 300]);
  const { context } = doc;
  const refs = doc.getPages().map(({ ref }) => ref);
  const element = (entries: Record<string, unknown>) =>
    context.obj({ Type: 'StructElem', ...entries } as never) as unknown as PDFDict;
  const first = element({ S: 'P', Pg: refs[0], K: 0, Alt: PDFString.of('one') });
  const second = element({
    S: 'P',
    K: [
      context.obj({ Type: 'MCR', Pg: refs[1], MCID: 0 }),
      context.obj({ Type: 'MCR', Pg: refs[2], MCID: 1 }),
    ],
    Alt: PDFString.of('two'),
  });
  const third = element({ S: 'P', Pg: refs[2], K: [0], Alt: PDFString.of('three') });
  const link = element({
    S: 'Link',
    Pg: refs[0],
    K: context.obj({ Type: 'OBJR', Obj: context.obj({}) }),
    Alt: PDFString.of('link'),
  });
  const bare = element({ S: 'Div', Alt: PDFString.of('bare') });
  const all = [first, second, third, link, bare];
  const own = new Map(all.map((one) => [one, context.register(one)]));
  const refOf = (one: PDFDict): PDFObject => own.get(one) as PDFObject;
  const section = element({ S: 'Sect', K: [refOf(first), refOf(second)] });
  const root = context.obj({
    Type: 'StructTreeRoot',
    K: [context.register(section), refOf(third), refOf(link), refOf(bare)],
    ParentTree: {
      Kids: [
        { Nums: [0, [refOf(first)], 1, [refOf(second)]] },
        { Nums: [2, [refOf(third), refOf(second)], 3, refOf(link)] },
      ],
    },
    IDTree: { Names: [PDFString.of('a'), refOf(first), PDFString.of('b'), refOf(third)] },
  });
  doc.catalog.set(name('StructTreeRoot'), context.register(root));
  return { doc, root, section, all: { first, second, third, link, bare } };
}

const altsIn = (element: PDFDict): string[] => {
  const alt = element.lookupMaybe(name('Alt'), PDFString)?.decodeText();
  const kids = element.lookup(name('K'));
  const list = kids instanceof PDFArray ? kids.asArray() : kids ? [kids] : [];
  const beneath = list.flatMap((kid) => {
    const found = element.context.lookup(kid);
    return found instanceof PDFDict && found.has(name('S')) ? altsIn(found) : [];
  });
  return [...(alt === undefined ? [] : [alt]), ...beneath];
};

/** The keys of the tree that leads from pages to elements, and what it has under each. */
function parentsIn(root: PDFDict): Map<string, PDFObject> {
  const nums = root.lookup(name('ParentTree'), PDFDict).lookup(name('Nums'), PDFArray);
  const pairs = Array.from({ length: nums.size() / 2 }, (_, k) => 2 * k);
  return new Map(pairs.map((k) => [String(nums.get(k)), nums.lookup(k + 1) as PDFObject]));
}

function keep(doc: PDFDocument, which: readonly number[]): void {
  const row = which.map((page) => doc.getPages()[page]);
  arrangePages(doc, row);
  pruneStructure(doc, row);
}

test('of the structure only what stands on the pages is left, and what stands on none', async () => {
  const { doc, root } = await tagged();
  keep(doc, [2]);
  expect(altsIn(root)).toEqual(['two', 'three', 'bare']);
  const parents = parentsIn(root);
  expect([...parents.keys()]).toEqual(['1', '2']);
  const ids = root.lookup(name('IDTree'), PDFDict).lookup(name('Names'), PDFArray);
  expect(ids.lookup(0, PDFString).decodeText()).toBe('b');
  expect(ids.size()).toBe(2);
});

test('an element over several pages is left with what stands on those that are', async () => {
  const { doc, all, root } = await tagged();
  keep(doc, [1]);
  expect(altsIn(root)).toEqual(['two', 'bare']);
  expect(all.second.lookup(name('K'), PDFDict).lookup(name('MCID'))?.toString()).toBe('0');
  const parents = parentsIn(root);
  expect([...parents.keys()]).toEqual(['1', '2']);
  expect((parents.get('2') as PDFArray).get(0)).toBe(PDFNull);
});

test('nothing changes where all pages stay; a structure that runs in a circle ends', async () => {
  const { doc, root } = await tagged();
  keep(doc, [2, 0, 1]);
  expect(altsIn(root)).toEqual(['one', 'two', 'three', 'link', 'bare']);
  const round = await tagged();
  round.section.set(name('K'), round.doc.context.obj([round.root, round.section]));
  keep(round.doc, [2]);
  expect(altsIn(round.root)).toEqual(['three', 'bare']);
  const none = await PDFDocument.create();
  none.addPage();
  pruneStructure(none, none.getPages());
});
