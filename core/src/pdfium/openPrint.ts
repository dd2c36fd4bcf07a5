import type { DrawnShapes, RawPrint, TaggedPage } from '../print/index.ts';
import type { PdfiumModule } from './module.ts';
import { openDocument } from './openDocument.ts';
import { pictureShare } from './pictureShare.ts';
import { readRaw } from './readRaw.ts';
import { readShapes } from './readShapes.ts';
import { readTagged } from './readTagged.ts';

/** A PDF whose print can be read. */
export interface OpenPrint {
  readonly pageCount: number;
  /** Whether the file says what its parts are: headings, lists, what is told in place of pictures. */
  readonly isTagged: boolean;
  /** The characters of a page, from 0; none where the page cannot be read. */
  raw(page: number): RawPrint;
  /** The same, and what a tagged file says of them. */
  tagged(page: number): TaggedPage;
  /** What share of a page, from 0, its largest picture covers, 0–1. */
  pictureShare(page: number): number;
  /** The rules and dots that a page, from 0, draws. */
  shapes(page: number): DrawnShapes;
  close(): void;
}

/**
 * Opens a PDF in PDFium. The bytes are copied.
 * @throws PdfRefusal when it needs another password, or cannot be read
 */
export function openPrint(module: PdfiumModule, bytes: Uint8Array, password?: string): OpenPrint {
  const { handle: document, pageCount, close } = openDocument(module, bytes, password);
  return {
    pageCount,
    isTagged: module.wasmExports.FPDFCatalog_IsTagged(document) !== 0,
    raw: (page) => readRaw(module, document, page),
    tagged: (page) => readTagged(module, document, page),
    shapes: (page) => readShapes(module, document, page),
    pictureShare: (page) => pictureShare(module, document, page),
    close,
  };
}
