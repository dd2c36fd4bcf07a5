import {
  PDFArray,
  PDFDict,
  PDFName,
  PDFNull,
  type PDFDocument,
  type PDFPage,
  PDFStream,
} from '@cantoo/pdf-lib';
import type { PageBox } from '../geometry/index.ts';
import { contentCoverage } from './content/coverage.ts';
import { pageContent } from './content/pageContent.ts';
import { type CopyOf, copyOfIn } from './copyOf.ts';
import { type Written, writtenOn } from './incoming/written.ts';
import { hasOwnParts } from './living/ownParts.ts';
import { hasEnd, openPdf } from './openPdf.ts';
import { pageGeometry } from './pages/geometry.ts';

/** What is said of a document on the desk. */
export interface Inspection {
  /** From the document's own metadata; null where it has none. */
  readonly title: string | null;
  readonly pages: readonly PageBox[];
  /** Image only: no text to speak of, and an image over most of the page. */
  readonly scanned: boolean;
  /** It holds a signature, not merely an empty field for one. */
  readonly signed: boolean;
  /** Its end was missing and what could be read was pieced together. */
  readonly rescued: boolean;
  /** What it is a marked copy of; null where it is none. */
  readonly copyOf: CopyOf | null;
  /** It says that it is a living copy of ours: `openLivingCopy` takes it apart where that is so. */
  readonly living: boolean;
  /** What other programs have written on its pages and could be marks; null where nothing is. */
  readonly written: Written | null;
}

/** Pages looked at to tell a scan; the rest is taken to be alike. */
const SAMPLED_PAGES = 6;
const FEW_BYTES_OF_TEXT = 20;
const MOST_OF_THE_PAGE = 0.5;

/** @throws PdfRefusal */
export async function inspectPdf(bytes: Uint8Array, password?: string): Promise<Inspection> {
  const doc = await openPdf(bytes, password);
  const pages = doc.getPages();
  const step = Math.max(1, Math.floor(pages.length / SAMPLED_PAGES));
  const sampled = pages.filter((_, i) => i % step === 0).slice(0, SAMPLED_PAGES);
  return {
    title: titleOf(doc),
    pages: pages.map(pageGeometry),
    scanned: sampled.every(isScanned),
    signed: isSigned(doc),
    rescued: !hasEnd(bytes),
    copyOf: copyOfIn(doc),
    living: hasOwnParts(doc),
    written: writtenOn(doc),
  };
}

function titleOf(doc: PDFDocument): string | null {
  try {
    return doc.getTitle()?.trim() || null;
  } catch {
    // Metadata of the wrong type is no reason to refuse a document.
    return null;
  }
}

function isScanned(page: PDFPage): boolean {
  const images = page.node.Resources()?.lookup(PDFName.of('XObject'));
  const isImage = (name: string): boolean => {
    const object = images instanceof PDFDict ? images.lookup(PDFName.of(name)) : undefined;
    return (
      object instanceof PDFStream &&
      object.dict.lookup(PDFName.of('Subtype')) === PDFName.of('Image')
    );
  };
  const { textBytes, imageShare } = contentCoverage(
    pageContent(page),
    pageGeometry(page).box,
    isImage,
  );
  return textBytes < FEW_BYTES_OF_TEXT && imageShare > MOST_OF_THE_PAGE;
}

/** A signature field counts only with a value (ISO 32000-1 §12.7.4.5). */
export function isSigned(doc: PDFDocument): boolean {
  const form = doc.catalog.lookup(PDFName.of('AcroForm'));
  const fields = form instanceof PDFDict ? form.lookup(PDFName.of('Fields')) : undefined;
  const seen = new Set<unknown>();
  const signed = (node: unknown, type: unknown): boolean => {
    if (!(node instanceof PDFDict) || seen.has(node)) return false;
    seen.add(node);
    const own = node.lookup(PDFName.of('FT')) ?? type;
    const value = node.lookup(PDFName.of('V'));
    if (own === PDFName.of('Sig') && value !== undefined && value !== PDFNull) return true;
    return someOf(node.lookup(PDFName.of('Kids')), (kid) => signed(kid, own));
  };
  return someOf(fields, (field) => signed(field, undefined));
}

const someOf = (array: unknown, test: (item: unknown) => boolean): boolean =>
  array instanceof PDFArray &&
  Array.from({ length: array.size() }, (_, i) => array.lookup(i)).some(test);
