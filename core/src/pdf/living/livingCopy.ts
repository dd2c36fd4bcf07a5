import { PDFArray, PDFName, type PDFPage, type PDFRef, type PDFStream } from '@cantoo/pdf-lib';
import { CopyFonts } from '../../copy/index.ts';
import { liesBeneath, marksBeneath, redactedOn, withoutCut } from '../../derived/index.ts';
import {
  type DocState,
  inOrder,
  isAsCame,
  isCutDown,
  marksOn,
  type Thread,
  isWidened,
  withoutRest,
} from '../../document/index.ts';
import { filledOn, withoutSecrets } from '../../fields/index.ts';
import { paperDrawing } from '../../paper/index.ts';
import { blendIn, drawOverPage, keepWithin, mendContents } from '../appendContent.ts';
import { forgetReplaced } from '../content/forgetReplaced.ts';
import { fillWidgets } from '../form/fillWidgets.ts';
import { settleForm } from '../form/settleForm.ts';
import { annotationsIn } from '../incoming/annotationsIn.ts';
import { isSigned } from '../inspect.ts';
import { addTo } from '../library/addTo.ts';
import { claimsPdfA } from '../pdfA/claim.ts';
import { ownColours } from '../pdfA/ownColours.ts';
import { protect, type Protection } from '../protection/protect.ts';
import { writeAnew } from '../library/writeAnew.ts';
import { openPdf } from '../openPdf.ts';
import { gatherPages, type Source } from '../pages/gather.ts';
import { fixGeometry, pageGeometry } from '../pages/geometry.ts';
import { ownLabels } from '../pages/labels.ts';
import { addBookmarks } from '../pages/ownBookmarks.ts';
import { addLinks } from '../pages/ownLinks.ts';
import { encodeMarks } from '../markLayer.ts';
import { withoutBeneath } from '../redact/beneath.ts';
import { Redaction, type Redacted } from '../redact/redaction.ts';
import { Layer } from '../sink/layer.ts';
import type { PictureTools } from '../smaller/pictureTools.ts';
import { type Deflate, encodeForm } from '../sink/formWriter.ts';
import { Held, type HeldFiles, withAttachments } from '../sink/held.ts';
import { registerForm } from '../sink/registerForm.ts';
import { type MadeSmaller, makeSmaller, type Smaller } from '../smaller/makeSmaller.ts';
import { type AnnotationWriter, markAnnotations } from './markAnnotation.ts';
import { printTakenOut, takeOutPrint } from '../takeOutPrint.ts';
import { keepOwnParts } from './ownParts.ts';

export interface LivingCopyOptions extends HeldFiles {
  /** Pages finished so far, of all. */
  readonly onProgress?: (done: number, all: number) => void;
  /** The platform's compressor; the library's own where none is given. */
  readonly deflate?: Deflate;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Who can open the copy; everybody where nothing is said. A copy that is locked is written anew. */
  readonly protection?: Protection | null;
  /** How it is made smaller; it is not where nothing is said. A copy that is made smaller is written anew. */
  readonly smaller?: Smaller | null;
  /** Draws pictures that lie beneath bars in part, so that the rest of them stays; without, some go whole. */
  readonly draw?: PictureTools['draw'];
  /** What pages are cut down from is gone; it is there, though not seen, where nothing is said. */
  readonly withoutCut?: boolean;
}

/** A PDF whose marks are standard annotations, and what was done for it. */
export interface LivingCopy {
  readonly bytes: Uint8Array;
  readonly pages: number;
  /** Annotations that were added, answers to notes among them. */
  readonly annotations: number;
  /** What corrections were to take out of the print, and could not. */
  readonly printLeft: readonly string[];
  /** What went since bars lie over pages; null where none do. */
  readonly redacted: Redacted | null;
  /** Pictures that bars or cuts reach into, could not be read, and are gone whole. */
  readonly picturesLost: number;
  /** Its source stands in it byte for byte, and was only added to: a signature of it stays valid. */
  readonly addedTo: boolean;
  /** The source was encrypted; the copy is not. */
  readonly encryptionLost: boolean;
  /** The source was PDF/A; the copy, since it is locked, is none. */
  readonly pdfALost: boolean;
  /** The source was signed; the copy no longer carries the signature. */
  readonly signatureLost: boolean;
  /** What was made smaller; null where nothing was to be. */
  readonly smaller: MadeSmaller | null;
}

/**
 * Makes every mark a standard annotation with an appearance as on the screen (ISO 32000-1 §12.5), and keeps the document
 * as it is stored beside them (§14.5), so that every mark can be opened as it was. A file whose pages are as they came is
 * only added to (§7.5.6); else it is written anew.
 * @param sources what the pages show, the document's own first
 * @throws PdfRefusal when a source cannot be opened
 * @throws SourceMissing when a page shows a source that is not given
 * @throws RedactionFailed when something beneath a bar, or beyond what is seen, cannot be taken out
 */
export async function makeLivingCopy(
  sources: readonly Source[],
  asked: DocState,
  options: LivingCopyOptions,
): Promise<LivingCopy> {
  const isCut = options.withoutCut ? isCutDown : (): boolean => false;
  const whole = withoutSecrets(options.withoutCut ? withoutCut(asked) : asked);
  const document = withoutBeneath(whole);
  const [source] = sources;
  const doc = await openPdf(source.bytes, source.password);
  const wasEncrypted = doc.context.isDecrypted === true;
  const signed = isSigned(doc);
  const protection = options.protection ?? null;
  // Adding to an encrypted file would spoil it, and what stands in a file can be neither locked nor made smaller afterwards.
  const addedTo =
    !wasEncrypted &&
    !protection &&
    !options.smaller &&
    !takesPrintOut(whole) &&
    isAsCame(document, source.sha, doc.getPageCount());
  const snapshot = addedTo ? doc.takeSnapshot() : null;
  const pages = addedTo
    ? document.pages.map((page, k) => ({ page, pdf: doc.getPage(k) }))
    : (await gatherPages(doc, sources, document)).pages;
  // Before anything of ours stands there.
  const came = annotationsIn(doc).annotations;
  if (addedTo) ownLabels(doc, document.pages);
  const { context } = doc;
  const colours = ownColours(doc);
  const files = withAttachments(document, options);
  const held = new Held(context, files, colours?.rgb, !claimsPdfA(doc));
  const fonts = new CopyFonts(options);
  const { deflate } = options;
  const writer: AnnotationWriter = { context, fonts, held, ...(deflate ? { deflate } : {}) };
  const threads = new Map([...document.threads.values()].map((one) => [one.mark, one]));
  const printLeft: string[] = [];
  const replaced = new Set<PDFStream>();
  const redacting = new Redaction(asked, options, replaced);
  let annotations = 0;
  let isFilled = false;
  for (const [k, { page, pdf }] of pages.entries()) {
    if (!addedTo) {
      if (isWidened(page)) keepWithin(pdf, page.sheet);
      if ('paper' in page.shows) {
        const form = await encodeForm(paperDrawing(page.shows.paper, page.sheet), deflate);
        drawOverPage(pdf, [{ form: registerForm(context, form, page.box, held) }]);
      }
      fixGeometry(pdf, page.turn === 0 && !page.crop ? pageGeometry(pdf) : page);
    }
    const onWhole = marksOn(whole, page.id);
    const taken = takeOutPrint(pdf, printTakenOut(onWhole));
    printLeft.push(...taken.left);
    for (const stream of taken.replaced) replaced.add(stream);
    const bars = redactedOn(onWhole);
    if (bars.length > 0) {
      const beneath = await encodeMarks(marksBeneath(onWhole), fonts, deflate);
      mendContents(pdf);
      if (beneath.form) {
        const own = new Held(context, withAttachments(whole, options), colours?.rgb, held.smooths);
        drawOverPage(pdf, [{ form: registerForm(context, beneath.form, page.box, own) }]);
        await own.finish();
      }
      await redacting.page(pdf, k, bars, new Layer(context));
    }
    if (isCut(page)) await redacting.around(pdf, k, page.box);
    const filled = await fillWidgets(writer, pdf, [
      ...filledOn(marksOn(document, page.id)).values(),
    ]);
    for (const ref of filled) snapshot?.markRefForSave(ref);
    isFilled ||= filled.length > 0;
    const refs = await annotationsOn(writer, document, page.id, pdf, threads);
    annotations += refs.length;
    if (refs.length > 0) addAnnotations(pdf, refs);
    if (colours?.blended && refs.length > 0) blendIn(pdf, colours.rgb);
    if (snapshot && refs.length > 0) {
      snapshot.markRefForSave(pdf.ref);
      const list = pdf.node.get(PDFName.of('Annots'));
      if (list && 'objectNumber' in list) snapshot.markRefForSave(list as PDFRef);
    }
    options.onProgress?.(k + 1, pages.length);
  }
  if (isFilled) for (const ref of settleForm(doc)) snapshot?.markRefForSave(ref);
  await held.finish();
  for (const ref of addBookmarks(doc, document, pages)) snapshot?.markRefForSave(ref);
  for (const { ref } of addLinks(document, pages, true).pages) snapshot?.markRefForSave(ref);
  const kept = { source: addedTo ? source.bytes.length : null, came };
  const redacted = redacting.beside(doc);
  forgetReplaced(doc, replaced);
  const left = options.withoutCut
    ? { ...document, pages: document.pages.map(withoutRest) }
    : document;
  await keepOwnParts(doc, left, kept, options.madeAt, deflate);
  const smaller = options.smaller
    ? await makeSmaller(doc, doc.getPages(), options.smaller, deflate)
    : null;
  const pdfALost = protection ? protect(doc, protection) : false;
  const told = {
    pages: pages.length,
    annotations,
    ...{ printLeft, redacted, picturesLost: redacting.picturesLost },
    addedTo,
    encryptionLost: wasEncrypted && !protection,
    pdfALost,
    signatureLost: signed && !addedTo,
    smaller,
  };
  if (snapshot) {
    const { Root } = context.trailerInfo;
    if (Root && 'objectNumber' in Root) snapshot.markRefForSave(Root as PDFRef);
    return { bytes: await addTo(source.bytes, doc, snapshot), ...told };
  }
  await doc.flush();
  return { bytes: await writeAnew(doc), ...told };
}

/** What is taken out of the print is gone from living copies, too: such a file is not only added to. */
const takesPrintOut = ({ marks, pages }: DocState): boolean =>
  pages.some(({ id }) => {
    const on = marks.get(id) ?? new Map();
    return printTakenOut(on).length > 0 || redactedOn(on).length > 0;
  });

/** Those that are multiplied lie beneath the others. */
async function annotationsOn(
  writer: AnnotationWriter,
  document: DocState,
  id: string,
  { ref }: PDFPage,
  threads: ReadonlyMap<string, Thread>,
): Promise<PDFRef[]> {
  const marks = inOrder(marksOn(document, id));
  const layered = [...marks.filter(liesBeneath), ...marks.filter((mark) => !liesBeneath(mark))];
  const refs: PDFRef[] = [];
  for (const mark of layered)
    refs.push(...(await markAnnotations(writer, ref, mark, threads.get(mark.id) ?? null)));
  return refs;
}

function addAnnotations({ node, doc }: PDFPage, refs: readonly PDFRef[]): void {
  const key = PDFName.of('Annots');
  const list = node.lookup(key);
  if (list instanceof PDFArray) for (const ref of refs) list.push(ref);
  else node.set(key, doc.context.obj([...refs]));
}
