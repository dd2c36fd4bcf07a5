import { EncryptedPDFError, PDFDocument } from '@cantoo/pdf-lib';
import { closeStreams, readStreamsByLength } from './library/streamEnds.ts';
import { hasPdfHeader, PdfRefusal } from '../document/index.ts';

/** Where the end marker may stand, counted from the end. */
const END_REACH = 2048;

/** The user password of files that only their owner's password protects. */
const NO_PASSWORD = '';

const latin = (bytes: Uint8Array): string => {
  let text = '';
  for (const b of bytes) text += String.fromCharCode(b);
  return text;
};

/** Whether the end of the file, with its end marker, is there. */
export const hasEnd = (bytes: Uint8Array): boolean =>
  latin(bytes.subarray(Math.max(0, bytes.length - END_REACH))).includes('%%EOF');

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
