import { type PDFDocument, PDFName, PDFPage, PDFPageLeaf } from '@cantoo/pdf-lib';
import type { NotesInCopy } from '../../copy/index.ts';
import { drawOverPage } from '../appendContent.ts';
import { type Deflate, encodeForm } from '../sink/formWriter.ts';
import { type Holdings, registerForm } from '../sink/registerForm.ts';
import type { AddedTags } from '../tags/addedTags.ts';

/** Adds pages of notes after all others; how many they are. */
export async function addNotePages(
  doc: PDFDocument,
  { size: { width, height }, pages }: NotesInCopy['last'],
  held: Holdings,
  tags: AddedTags | null,
  deflate?: Deflate,
): Promise<number> {
  for (const drawing of pages) {
    const page = lastPage(doc, width, height);
    const bounds = { minX: 0, minY: 0, maxX: width, maxY: height };
    const form = await encodeForm(drawing, deflate);
    const over = { form: registerForm(doc.context, form, bounds, held), words: form.words };
    drawOverPage(page, [{ ...over, role: 'Note' }], tags);
  }
  return pages.length;
}

/** An empty page after all others. The library's own way counts the pages that the file came with. */
function lastPage(doc: PDFDocument, width: number, height: number): PDFPage {
  const { context, catalog } = doc;
  const root = catalog.Pages();
  const parent = catalog.get(PDFName.of('Pages'));
  const leaf = PDFPageLeaf.fromMapWithContext(new Map(), context, false);
  leaf.set(PDFName.of('Type'), PDFName.of('Page'));
  if (parent) leaf.set(PDFName.of('Parent'), parent);
  leaf.set(PDFName.of('MediaBox'), context.obj([0, 0, width, height]));
  leaf.set(PDFName.of('Resources'), context.obj({}));
  const ref = context.register(leaf);
  root.pushLeafNode(ref);
  return PDFPage.of(leaf, ref, doc);
}
