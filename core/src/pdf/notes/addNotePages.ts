import { type PDFDocument, PDFName, PDFPage, PDFPageLeaf } from '@cantoo/pdf-lib';
import { displaySize, type PageBox } from '../../geometry/index.ts';
import { drawOverPage } from '../appendContent.ts';
import { type Deflate, encodeForm } from '../sink/formWriter.ts';
import { type Holdings, registerForm } from '../sink/registerForm.ts';
import type { CopyNote } from './copyNote.ts';
import type { NotesInCopy, SheetSize } from './notesInCopy.ts';

/** Pages of notes are as large as the document's first page where that is a sheet, points; else A4. */
const A4: SheetSize = { width: 595, height: 842 };
const LEAST = 350;
const MOST = 1200;

/** Adds the pages that some notes are set on after all others; how many they are. */
export async function addNotePages(
  doc: PDFDocument,
  notes: NotesInCopy,
  some: readonly CopyNote[],
  first: PageBox | null,
  held: Holdings,
  deflate?: Deflate,
): Promise<number> {
  const { width, height } = sheetLike(first);
  const pages = notes.pages({ width, height }, some);
  for (const drawing of pages) {
    const page = lastPage(doc, width, height);
    const bounds = { minX: 0, minY: 0, maxX: width, maxY: height };
    const form = await encodeForm(drawing, deflate);
    drawOverPage(page, [registerForm(doc.context, form, bounds, held)]);
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

function sheetLike(first: PageBox | null): SheetSize {
  if (!first) return A4;
  const { width, height } = displaySize(first);
  const isSheet = Math.min(width, height) > LEAST && Math.max(width, height) < MOST;
  return isSheet ? { width, height } : A4;
}
