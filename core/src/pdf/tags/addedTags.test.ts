import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  type PDFPage,
} from '@cantoo/pdf-lib';
import { taggedPdf } from '../../../testing/pdfs';
import { drawOverPage } from '../appendContent.ts';
import { pageContent } from '../content/pageContent.ts';
import { AddedTags } from './addedTags.ts';
import { treeOf } from './numberTree.ts';

const name = (text: string): PDFName => PDFName.of(text);
const load = async (): Promise<PDFDocument> => PDFDocument.load(await taggedPdf());
const rootOf = (doc: PDFDocument): PDFDict => doc.catalog.lookup(name('StructTreeRoot'), PDFDict);

/** The kinds and words of what the structure says, in order. */
function told(doc: PDFDocument): string[] {
  const [whole] = rootOf(doc).lookup(name('K'), PDFArray).asArray();
  const kids = doc.context.lookup(whole, PDFDict).lookup(name('K'), PDFArray);
  return Array.from({ length: kids.size() }, (_, k) => kids.lookup(k, PDFDict)).map((element) => {
    const words = element.lookup(name('ActualText'));
    return `${String(element.get(name('S')))} ${words instanceof PDFHexString ? words.decodeText() : ''}`;
  });
}
const form = ({ doc: { context } }: PDFPage) =>
  context.register(
    context.stream('0 0 9 9 re f', { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 9, 9] }),
  );

test('words stand after what the file says of their page, and the page names them', async () => {
  const doc = await load();
  doc.addPage([300, 400]);
  const [first, second] = doc.getPages();
  const tags = AddedTags.of(doc);
  drawOverPage(second, [{ form: form(second), words: 'said at the end', role: 'Note' }], tags);
  drawOverPage(
    first,
    [{ form: form(first), words: 'written – łódź' }, { form: form(first) }],
    tags,
  );
  drawOverPage(first, [{ form: form(first), words: 'written too' }], tags);
  expect(told(doc)).toEqual([
    '/Figure ',
    '/P written – łódź',
    '/P written too',
    '/Note said at the end',
  ]);
  const content = new TextDecoder('latin1').decode(pageContent(first));
  expect(content).toContain('/P <</MCID 1>> BDC /Marks Do EMC /Artifact BMC /Marks2 Do EMC');
  expect(content).toContain('/P <</MCID 2>> BDC /Marks3 Do EMC');
  // The page that had no elements has a list of its own.
  expect(String(second.node.get(name('StructParents')))).toBe('1');
  const lists = treeOf(rootOf(doc).lookup(name('ParentTree')), 'Nums').map(([, list]) =>
    doc.context.lookup(list, PDFArray).size(),
  );
  expect(lists).toEqual([3, 1]);
  expect(String(rootOf(doc).get(name('ParentTreeNextKey')))).toBe('2');
});

test('a tree with branches gets another one', async () => {
  const doc = await load();
  const root = rootOf(doc);
  const leaf = root.lookup(name('ParentTree'), PDFDict);
  leaf.set(name('Limits'), doc.context.obj([0, 0]));
  root.set(name('ParentTree'), doc.context.obj({ Kids: [doc.context.register(leaf)] }));
  const page = doc.addPage([300, 400]);
  drawOverPage(page, [{ form: form(page), words: 'new' }], AddedTags.of(doc));
  const keys = treeOf(root.lookup(name('ParentTree')), 'Nums').map(([key]) => String(key));
  expect(keys).toEqual(['0', '1']);
});

test('in a file that is not tagged, or whose structure is damaged, all is an artifact', async () => {
  const bare = await PDFDocument.create();
  const page = bare.addPage([300, 400]);
  expect(AddedTags.of(bare)).toBeNull();
  drawOverPage(page, [{ form: form(page), words: 'words' }], AddedTags.of(bare));
  expect(new TextDecoder('latin1').decode(pageContent(page))).toContain(
    '/Artifact BMC /Marks Do EMC',
  );
  const damaged = await load();
  damaged.catalog.set(name('StructTreeRoot'), damaged.context.obj([]));
  expect(AddedTags.of(damaged)).toBeNull();
});
