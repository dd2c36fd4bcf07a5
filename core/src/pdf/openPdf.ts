import { EncryptedPDFError, PDFDocument } from '@cantoo/pdf-lib';
import { readCrossReferencesPlain } from './library/plainCrossReferences.ts';
import { closeStreams, readStreamsByLength } from './library/streamEnds.ts';
import { hasPdfHeader, PdfRefusal } from '../document/index.ts';

/** The user password of files that only their owner's password protects. */
const NO_PASSWORD = '';

const codes = (text: string): number[] => [...text].map((c) => c.charCodeAt(0));
const END_MARK = codes('%%EOF');
const END_OF_OBJECT = codes('endobj');

const standsAt = (bytes: Uint8Array, at: number, word: readonly number[]): boolean =>
  word.every((c, i) => bytes[at + i] === c);

/** Whether the end of the file is there: an end marker, and no object after it, whatever else may follow. */
export function hasEnd(bytes: Uint8Array): boolean {
  let end = bytes.lastIndexOf(END_MARK[0]);
  while (end >= 0 && !standsAt(bytes, end, END_MARK))
    end = end === 0 ? -1 : bytes.lastIndexOf(END_MARK[0], end - 1);
  if (end < 0) return false;
  for (let at = bytes.indexOf(END_OF_OBJECT[0], end); at >= 0;) {
    if (standsAt(bytes, at, END_OF_OBJECT)) return false;
    at = bytes.indexOf(END_OF_OBJECT[0], at + 1);
  }
  return true;
}

/** @throws PdfRefusal for what cannot be a PDF, by its first bytes */
export function requireHeader(bytes: Uint8Array): void {
  if (bytes.length === 0) throw new PdfRefusal('empty');
  if (!hasPdfHeader(bytes)) throw new PdfRefusal('not-pdf');
}

/**
 * Opens bytes with the PDF library. Files that are encrypted but open without a password, since only
 * changing them is to be prevented, open without one here too.
 * @throws PdfRefusal with a reason the person can act on
 */
export async function openPdf(bytes: Uint8Array, password?: string): Promise<PDFDocument> {
  requireHeader(bytes);
  readStreamsByLength();
  readCrossReferencesPlain();
  const doc = await load(bytes, password);
  closeStreams(doc.context);
  if (countPages(doc, bytes) === 0) throw new PdfRefusal(hasEnd(bytes) ? 'no-pages' : 'cut-short');
  return doc;
}

async function load(bytes: Uint8Array, password: string | undefined): Promise<PDFDocument> {
  try {
    return await PDFDocument.load(bytes, {
      updateMetadata: false,
      warnOnInvalidObjects: false,
      parseSpeed: Infinity,
      ...(password === undefined ? {} : { password }),
    });
  } catch (e) {
    const encrypted = e instanceof EncryptedPDFError || /password/i.test(String(e));
    if (encrypted && password === undefined) return load(bytes, NO_PASSWORD);
    if (encrypted) throw new PdfRefusal(password === NO_PASSWORD ? 'locked' : 'wrong-password');
    // The library fails on damage in many ways (TypeError, RangeError, its own); all mean the same here.
    throw new PdfRefusal(hasEnd(bytes) ? 'damaged' : 'cut-short');
  }
}

function countPages(doc: PDFDocument, bytes: Uint8Array): number {
  try {
    return doc.getPages().length;
  } catch {
    // A missing catalogue or a page tree that runs in circles.
    throw new PdfRefusal(hasEnd(bytes) ? 'damaged' : 'cut-short');
  }
}
