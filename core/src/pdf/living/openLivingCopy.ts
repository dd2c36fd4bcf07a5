import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFString,
} from '@cantoo/pdf-lib';
import { type NamedPart, PdfRefusal } from '../../document/index.ts';
import { writeAnew } from '../library/writeAnew.ts';
import { hasEnd, openPdf } from '../openPdf.ts';
import { ownPartsIn, removeOwnParts } from './ownParts.ts';

/** A living copy taken apart again. */
export interface OpenedLivingCopy {
  /** The PDF without the marks: the source it was made of, where that stands in it. */
  readonly source: Uint8Array;
  readonly parts: readonly NamedPart[];
}

/**
 * Takes a living copy apart into its source and the marks on it; null for every other PDF.
 * @throws PdfRefusal when the bytes cannot be opened
 */
export async function openLivingCopy(
  bytes: Uint8Array,
  password?: string,
): Promise<OpenedLivingCopy | null> {
  const doc = await openPdf(bytes, password);
  const own = ownPartsIn(doc);
  if (!own) return null;
  const { parts } = own;
  const before = await sourceWithin(bytes, own.source, doc.getPageCount());
  if (before) return { source: before, parts };
  removeAnnotations(doc, namesOf(parts));
  removeOwnParts(doc);
  return { source: await writeAnew(doc), parts };
}

/** The head of a file that was only added to, where it is a whole PDF of as many pages. */
async function sourceWithin(
  bytes: Uint8Array,
  length: number | null,
  pages: number,
): Promise<Uint8Array | null> {
  if (length === null || length <= 0 || length >= bytes.length) return null;
  const head = bytes.slice(0, length);
  // Without its end another program has written the file anew, and what is cut off here is no source.
  if (!hasEnd(head)) return null;
  try {
    const doc = await openPdf(head);
    return doc.getPageCount() === pages ? head : null;
  } catch (e) {
    if (e instanceof PdfRefusal) return null;
    throw e;
  }
}

/** What annotations of ours are called: after marks, remarks, and that a thread is settled. */
function namesOf(parts: readonly NamedPart[]): Set<string> {
  return new Set(
    parts.flatMap((one) => {
      if (one.part === 'mark') return [one.value.id];
      if (one.part !== 'thread') return [];
      return [...one.value.remarks.map(({ id }) => id), `${one.value.id} settled`];
    }),
  );
}

function removeAnnotations(doc: PDFDocument, names: ReadonlySet<string>): void {
  const key = PDFName.of('Annots');
  for (const page of doc.getPages()) {
    const list = page.node.lookup(key);
    if (!(list instanceof PDFArray)) continue;
    for (let k = list.size() - 1; k >= 0; k--) {
      const one = list.lookup(k);
      const name = one instanceof PDFDict ? one.lookup(PDFName.of('NM')) : null;
      const isText = name instanceof PDFString || name instanceof PDFHexString;
      if (isText && names.has(name.decodeText())) list.remove(k);
    }
    if (list.size() === 0) page.node.delete(key);
  }
}
