import {
  PDFArray,
  type PDFDict,
  type PDFDocument,
  PDFName,
  PDFNumber,
  PDFPageTree,
  type PDFPage,
} from '@cantoo/pdf-lib';

/** What a page takes from the nodes above it unless it says so itself (ISO 32000-1 §7.7.3.4). */
const INHERITED = ['Resources', 'MediaBox', 'CropBox', 'Rotate'];

/** Makes a page say everything itself, so that it can hang anywhere. */
export function ownEntries(page: PDFPage): void {
  for (const key of INHERITED.map((name) => PDFName.of(name))) {
    if (page.node.has(key)) continue;
    let found: ReturnType<PDFDict['get']>;
    page.node.ascend((node) => {
      found ??= node.get(key);
    });
    if (found) page.node.set(key, found);
  }
}

const isSameRow = (a: readonly PDFPage[], b: readonly PDFPage[]): boolean =>
  a.length === b.length && a.every((page, i) => page === b[i]);

/**
 * Makes these the pages of a document, in this order, under one node. What was a page and is no longer is gone; what
 * led to it leads nowhere. A document whose pages are these already keeps its page tree.
 */
export function arrangePages(doc: PDFDocument, pages: readonly PDFPage[]): void {
  const { context, catalog } = doc;
  const before = doc.getPages();
  if (isSameRow(before, pages)) return;
  pages.forEach(ownEntries);
  const root = PDFPageTree.withContext(context);
  const rootRef = context.register(root);
  const kids = PDFArray.withContext(context);
  for (const { node, ref } of pages) {
    kids.push(ref);
    node.set(PDFName.of('Parent'), rootRef);
  }
  root.set(PDFName.of('Kids'), kids);
  root.set(PDFName.of('Count'), PDFNumber.of(pages.length));
  catalog.set(PDFName.of('Pages'), rootRef);
  const still = new Set(pages.map(({ ref }) => ref));
  for (const { ref } of before) if (!still.has(ref)) context.delete(ref);
}
