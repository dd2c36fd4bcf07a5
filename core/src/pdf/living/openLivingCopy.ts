import { type Elsewhere, elsewhereOf } from '../../annotations/index.ts';
import type { PDFDocument } from '@cantoo/pdf-lib';
import {
  type Change,
  type NamedPart,
  type Page,
  pagesOfSource,
  PdfRefusal,
} from '../../document/index.ts';
import { valuesSince } from '../../fields/index.ts';
import { annotationsIn } from '../incoming/annotationsIn.ts';
import { takeOff } from '../incoming/takeOff.ts';
import { lockedWith, protect } from '../protection/protect.ts';
import { writeAnew } from '../library/writeAnew.ts';
import { pageGeometry } from '../pages/geometry.ts';
import { removeBookmarks } from '../pages/ownBookmarks.ts';
import { removeLinks } from '../pages/ownLinks.ts';
import { fieldsFoundAgain } from '../form/fieldsFoundAgain.ts';
import { formOf } from '../form/readForm.ts';
import { unfillWidgets } from '../form/fillWidgets.ts';
import { hasEnd, openPdf } from '../openPdf.ts';
import { ownPartsIn, removeOwnParts } from './ownParts.ts';

/** A living copy taken apart again. */
export interface OpenedLivingCopy {
  /** The PDF without the marks: the source it was made of, where that stands in it. Of a locked copy it is locked with the same password. */
  readonly source: Uint8Array;
  /** As they were when it was made. */
  readonly parts: readonly NamedPart[];
  /** What has been done to it with other programs since. */
  readonly elsewhere: Elsewhere;
}

/**
 * Takes a living copy apart into its source and the marks on it; null for every other PDF.
 * @param now for what others have added without a date, milliseconds since 1970
 * @throws PdfRefusal when the bytes cannot be opened
 */
export async function openLivingCopy(
  bytes: Uint8Array,
  now: number,
  password?: string,
): Promise<OpenedLivingCopy | null> {
  const doc = await openPdf(bytes, password);
  const own = ownPartsIn(doc);
  if (!own) return null;
  const { parts, came } = own;
  const { annotations, dicts } = annotationsIn(doc);
  const elsewhere = elsewhereOf(parts, annotations, { now, came });
  const form = formOf(doc);
  const tools = { now, author: '' };
  const before = await sourceWithin(bytes, own.source, doc.getPageCount());
  if (before) {
    const pages = parts.flatMap((one) => (one.part === 'page' ? [one.value] : []));
    const values = valuesSince(form, formOf(before.doc), pages, parts, tools);
    return { source: before.bytes, parts, elsewhere: withValues(elsewhere, values) };
  }
  takeOff(doc, new Set([...elsewhere.known].map((k) => dicts[k])));
  removeOwnParts(doc);
  removeBookmarks(doc);
  removeLinks(doc);
  for (const page of doc.getPages()) unfillWidgets(page);
  const found = fieldsFoundAgain(doc, parts);
  const values = valuesSince(form, formOf(doc), pagesOfFile(doc, found), found, tools);
  if (password) protect(doc, lockedWith(password));
  return {
    source: await writeAnew(doc),
    parts: found,
    elsewhere: withValues(elsewhere, values),
  };
}

/** The pages of a document as they lie in a file that was written anew. */
function pagesOfFile(doc: PDFDocument, parts: readonly NamedPart[]): Page[] {
  const ids = parts.flatMap((one) => (one.part === 'page' ? [one.value.id] : []));
  return pagesOfSource(ANEW, doc.getPages().map(pageGeometry), (k) => ids[k] ?? `page ${k}`);
}

/** What stands for a source that has no name yet. */
const ANEW = '0'.repeat(64);

/** What was filled in counts as what was done to marks does. */
function withValues(elsewhere: Elsewhere, values: readonly Change[]): Elsewhere {
  const count = (is: (change: Change) => boolean): number => values.filter(is).length;
  return {
    ...elsewhere,
    changes: [...elsewhere.changes, ...values],
    added: elsewhere.added + count(({ before }) => before === null),
    changed: elsewhere.changed + count(({ before, after }) => before !== null && after !== null),
    removed: elsewhere.removed + count(({ after }) => after === null),
  };
}

/** The head of a file that was only added to, where it is a whole PDF of as many pages. */
async function sourceWithin(
  bytes: Uint8Array,
  length: number | null,
  pages: number,
): Promise<{ readonly bytes: Uint8Array; readonly doc: PDFDocument } | null> {
  if (length === null || length <= 0 || length >= bytes.length) return null;
  const head = bytes.slice(0, length);
  // Without its end another program has written the file anew, and what is cut off here is no source.
  if (!hasEnd(head)) return null;
  try {
    const doc = await openPdf(head);
    return doc.getPageCount() === pages ? { bytes: head, doc } : null;
  } catch (e) {
    if (e instanceof PdfRefusal) return null;
    throw e;
  }
}
