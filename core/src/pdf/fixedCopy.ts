import type { PDFPage } from '@cantoo/pdf-lib';
import { type DocState, marksOn, type PageRef } from '../document/index.ts';
import { flattenAnnotations } from './annotations/flatten.ts';
import { drawOverPage, mendContents } from './appendContent.ts';
import { refreshFieldAppearances } from './fields.ts';
import { isSigned } from './inspect.ts';
import { baseAddress } from './actions.ts';
import { removeInteraction } from './interaction.ts';
import { type Deflate, Layer } from './layer.ts';
import { openPdf } from './openPdf.ts';
import { fixGeometry, pageGeometry } from './pageGeometry.ts';
import { quickenCrossReferences } from './library/quickCrossReferences.ts';
import { keepReachable } from './library/reachable.ts';
import { paintMarksInto } from './paintMarks.ts';

export interface FixedCopyOptions {
  /** Opens a locked source; the copy itself is not locked. */
  readonly password?: string;
  /** Pages finished so far, of all. */
  readonly onProgress?: (done: number, all: number) => void;
  /** Asked before each page; true stops the work with {@link FixedCopyStopped}. */
  readonly shouldStop?: () => boolean;
  /** The platform's compressor; the library's own where none is given. */
  readonly deflate?: Deflate;
}

/** The flattened PDF and what was done for it. */
export interface FixedCopy {
  readonly bytes: Uint8Array;
  readonly pages: number;
  readonly marksDrawn: number;
  readonly annotationsDrawn: number;
  /** Kinds of annotations that showed nothing on the page and are not in the copy. */
  readonly annotationsDropped: readonly string[];
  /** What links led to that would have started something and are not in the copy, in words. */
  readonly linksDropped: readonly string[];
  /** The form is damaged: its fields are drawn as they came, those without an appearance are not. */
  readonly formDamaged: boolean;
  /** The source was encrypted; the copy is not. */
  readonly encryptionLost: boolean;
  /** The source was signed; the copy no longer carries the signature. */
  readonly signatureLost: boolean;
}

/** Thrown when `shouldStop` said so. */
export class FixedCopyStopped extends Error {
  override readonly name = 'FixedCopyStopped';
}

/**
 * Draws every mark, annotation and form field into the pages. Links, outline, page labels, metadata, tags
 * and text stay as they are; scripts and the form go. The source bytes are not changed.
 * @throws PdfRefusal when the source cannot be opened
 * @throws FixedCopyStopped
 */
export async function makeFixedCopy(
  source: Uint8Array,
  document: DocState,
  options: FixedCopyOptions = {},
): Promise<FixedCopy> {
  const doc = await openPdf(source, options.password);
  const signatureLost = isSigned(doc);
  const formDamaged = !refreshFieldAppearances(doc);
  const base = baseAddress(doc);
  const refs = new Map<number, PageRef>(document.pages.map((ref) => [ref.index, ref]));
  const pages = doc.getPages();
  const dropped: string[] = [];
  const linksDropped: string[] = [];
  let marksDrawn = 0;
  let annotationsDrawn = 0;
  for (const [index, page] of pages.entries()) {
    if (options.shouldStop?.()) throw new FixedCopyStopped('The fixed copy was called off.');
    const layer = new Layer(doc.context);
    const flattened = flattenAnnotations(page, layer, base);
    annotationsDrawn += flattened.drawn;
    dropped.push(...flattened.dropped);
    linksDropped.push(...flattened.linksDropped);
    const ref = refs.get(index);
    marksDrawn += ref ? await drawMarks(page, ref, document, layer, options.deflate) : 0;
    const geometry = pageGeometry(page);
    mendContents(page);
    if (!layer.isEmpty) drawOverPage(page, await layer.finish(geometry.box, options.deflate));
    fixGeometry(page, geometry);
    options.onProgress?.(index + 1, pages.length);
  }
  removeInteraction(doc, base);
  // Fonts that fields were drawn with have numbers already, but stand in the document only now.
  await doc.flush();
  keepReachable(doc.context);
  quickenCrossReferences();
  const bytes = await doc.save({
    updateFieldAppearances: false,
    addDefaultPage: false,
    // Runs in a worker, which is ended to stop it; pausing between objects would only cost time.
    objectsPerTick: Infinity,
  });
  return {
    bytes,
    pages: pages.length,
    marksDrawn,
    annotationsDrawn,
    annotationsDropped: dropped,
    linksDropped,
    formDamaged,
    // Set by the library only where it had a key to use.
    encryptionLost: doc.context.isDecrypted,
    signatureLost,
  };
}

async function drawMarks(
  page: PDFPage,
  ref: PageRef,
  document: DocState,
  layer: Layer,
  deflate: Deflate | undefined,
): Promise<number> {
  const marks = marksOn(document, ref.id);
  const { context } = page.doc;
  await paintMarksInto(layer, marks, { context, bbox: pageGeometry(page).box, deflate });
  return marks.size;
}
