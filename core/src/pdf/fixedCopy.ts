import { PDFDocument, type PDFRef, type PDFStream } from '@cantoo/pdf-lib';
import { type Beside, CopyFonts, type CopyNote, type NotesAt, notesInCopy } from '../copy/index.ts';
import type { Box, PageBox } from '../geometry/index.ts';
import { withoutCut } from '../derived/index.ts';
import { type DocState, isCutDown, isWidened, marksOn } from '../document/index.ts';
import { paperDrawing } from '../paper/index.ts';
import { baseAddress } from './actions.ts';
import { flattenAnnotations } from './annotations/flatten.ts';
import { forgetReplaced } from './content/forgetReplaced.ts';
import { blendIn, drawOverPage, mendContents, type Over, keepWithin } from './appendContent.ts';
import { type CopyOf, noteCopyOf } from './copyOf.ts';
import { refreshFieldAppearances } from './fields.ts';
import type { Quad } from '../print/index.ts';
import { isSigned } from './inspect.ts';
import { removeInteraction } from './interaction.ts';
import { claimsPdfA } from './pdfA/claim.ts';
import { ownColours } from './pdfA/ownColours.ts';
import { protect, type Protection } from './protection/protect.ts';
import { writeAnew } from './library/writeAnew.ts';
import { openPdf } from './openPdf.ts';
import { encodeMarks, type MarkLayer } from './markLayer.ts';
import { takeOutPrint } from './takeOutPrint.ts';
import { addNotePages } from './pages/addNotePages.ts';
import { type GatheredPage, gatherPages, type Source } from './pages/gather.ts';
import { fixGeometry, pageGeometry } from './pages/geometry.ts';
import { addBookmarks } from './pages/ownBookmarks.ts';
import { addLinks } from './pages/ownLinks.ts';
import { Redaction, type Redacted } from './redact/redaction.ts';
import { type EncodedForm, isEmptyForm } from './sink/encodedForm.ts';
import { type Deflate, encodeForm } from './sink/formWriter.ts';
import { Layer } from './sink/layer.ts';
import { Held, type HeldFiles, withAttachments } from './sink/held.ts';
import { registerForm } from './sink/registerForm.ts';
import { type MadeSmaller, makeSmaller, type Smaller } from './smaller/makeSmaller.ts';
import type { PictureTools } from './smaller/pictureTools.ts';
import { AddedTags } from './tags/addedTags.ts';

export interface FixedCopyOptions extends HeldFiles {
  /** Opens a locked source where its bytes alone are given. */
  readonly password?: string;
  /** Pages finished so far, of all. */
  readonly onProgress?: (done: number, all: number) => void;
  /** Asked before each page; true stops the work with {@link FixedCopyStopped}. */
  readonly shouldStop?: () => boolean;
  /** The platform's compressor; the library's own where none is given. */
  readonly deflate?: Deflate;
  /** The marks of pages that were encoded ahead, by page id; those of the document are not looked at there. */
  readonly layers?: ReadonlyMap<string, MarkLayer>;
  /** Notes that are in the copy: numbers where they belong, and what they say beside the pages or on pages at its end. */
  readonly notes?: readonly CopyNote[];
  /** At the end where nothing is said. */
  readonly notesAt?: NotesAt;
  /** Written into the copy, so that it says what it is when it comes back. */
  readonly copyOf?: CopyOf;
  /** Who can open the copy; everybody where nothing is said. */
  readonly protection?: Protection | null;
  /** How it is made smaller; it is not where nothing is said. */
  readonly smaller?: Smaller | null;
  /** Draws pictures that lie beneath bars in part, so that the rest of them stays; without, some go whole. */
  readonly draw?: PictureTools['draw'];
  /** What pages are cut down from is gone; it is there, though not seen, where nothing is said. */
  readonly withoutCut?: boolean;
}

/** The flattened PDF and what was done for it. */
export interface FixedCopy {
  readonly bytes: Uint8Array;
  readonly pages: number;
  readonly marksDrawn: number;
  readonly annotationsDrawn: number;
  /** Pages, from 0, that annotations or fields were drawn into, or taken off. */
  readonly annotatedPages: readonly number[];
  /** Kinds of annotations that showed nothing on the page and are not in the copy. */
  readonly annotationsDropped: readonly string[];
  /** What links led to that would have started something and are not in the copy, in words. */
  readonly linksDropped: readonly string[];
  /** Links that led to what is gone, or is not in the copy, and lead nowhere: the first source's, and one's own. */
  readonly linksDead: number;
  /** What corrections were to take out of the print, and could not. */
  readonly printLeft: readonly string[];
  /** What went since bars lie over pages; null where none do. */
  readonly redacted: Redacted | null;
  /** Pictures that bars or cuts reach into, could not be read, and are gone whole. */
  readonly picturesLost: number;
  /** The form is damaged: its fields are drawn as they came, those without an appearance are not. */
  readonly formDamaged: boolean;
  /** The source was encrypted; the copy is not. */
  readonly encryptionLost: boolean;
  /** The source was PDF/A; the copy, since it is locked, is none. */
  readonly pdfALost: boolean;
  /** The source was signed; the copy no longer carries the signature. */
  readonly signatureLost: boolean;
  /** What was made smaller; null where nothing was to be. */
  readonly smaller: MadeSmaller | null;
}

/** Thrown when `shouldStop` said so. */
export class FixedCopyStopped extends Error {
  override readonly name = 'FixedCopyStopped';
}

/**
 * Draws every mark, annotation and form field into the pages of the document, in its order. Links, outline, page labels,
 * metadata, tags and text of the first source stay as they are; scripts and the form go. The bytes given are not changed.
 * @param sources what the pages show, the document's own first; it alone may be given as its bytes
 * @throws PdfRefusal when a source cannot be opened
 * @throws SourceMissing when a page shows a source that is not given
 * @throws RedactionFailed when something beneath a bar, or beyond what is seen, cannot be taken out
 * @throws FixedCopyStopped
 */
export async function makeFixedCopy(
  sources: Uint8Array | readonly Source[],
  asked: DocState,
  options: FixedCopyOptions = {},
): Promise<FixedCopy> {
  const isCut = options.withoutCut ? isCutDown : (): boolean => false;
  const document = options.withoutCut ? withoutCut(asked) : asked;
  const all = sources instanceof Uint8Array ? [ownSource(sources, document, options)] : sources;
  const doc = await openFirst(all);
  const signatureLost = isSigned(doc);
  const formDamaged = !refreshFieldAppearances(doc);
  const base = baseAddress(doc);
  const gathered = await gatherPages(doc, all, document);
  const colours = ownColours(doc);
  const tags = AddedTags.of(doc);
  const files = withAttachments(document, options);
  const held = new Held(doc.context, files, colours?.rgb, !claimsPdfA(doc));
  const fonts = new CopyFonts(options);
  const geometries = gathered.pages.map(geometryOf);
  const notes = await notesInCopy(options.notes ?? [], options.notesAt ?? 'end', geometries, fonts);
  const dropped: string[] = [];
  const annotatedPages: number[] = [];
  const linksDropped: string[] = [];
  const printLeft: string[] = [];
  const replaced = new Set<PDFStream>();
  const redacting = new Redaction(asked, options, replaced);
  const finishing: Finishing[] = [];
  let marksDrawn = 0;
  let annotationsDrawn = 0;
  const besideForm = async ({ drawing, page }: Beside): Promise<Finishing['beside']> => {
    const form = await encodeForm(drawing, options.deflate);
    const ref = registerForm(doc.context, form, page.box, held);
    return { over: { form: ref, words: form.words, role: 'Note' }, page };
  };
  for (const [index, one] of gathered.pages.entries()) {
    if (options.shouldStop?.()) throw new FixedCopyStopped('The fixed copy was called off.');
    const { pdf, page } = one;
    const marks =
      options.layers?.get(page.id) ??
      (await encodeMarks(marksOn(document, page.id), fonts, options.deflate));
    const taken = takeOutPrint(pdf, marks.takenOut);
    printLeft.push(...taken.left);
    for (const stream of taken.replaced) replaced.add(stream);
    const layer = new Layer(doc.context);
    const flattened = flattenAnnotations(pdf, layer, base, marks.covered);
    annotationsDrawn += flattened.drawn;
    dropped.push(...flattened.dropped);
    if (flattened.drawn + flattened.dropped.length + flattened.linksDropped.length > 0)
      annotatedPages.push(index);
    linksDropped.push(...flattened.linksDropped);
    const geometry = geometries[index];
    const drawn: Over[] = [];
    if (!layer.isEmpty) drawn.push({ form: await layer.finish(geometry.box, options.deflate) });
    const draw = (
      form: EncodedForm | null,
      more: Partial<Over> = {},
      bounds = geometry.box,
    ): void => {
      if (form && !isEmptyForm(form))
        drawn.push({ form: registerForm(doc.context, form, bounds, held), ...more });
    };
    if ('paper' in page.shows)
      draw(await encodeForm(paperDrawing(page.shows.paper, page.sheet), options.deflate));
    draw(marks.form, { words: marks.form?.words });
    marksDrawn += marks.count;
    const { signs, beside } = notes.pages[index];
    if (signs.length > 0) draw(await encodeForm(signs, options.deflate));
    finishing.push({
      ...{ areas: marks.redacted, seen: isCut(page) ? geometry.box : null },
      bars: marks.bars && registerForm(doc.context, marks.bars, geometry.box, held),
      beside: beside && (await besideForm(beside)),
    });
    mendContents(pdf);
    if (isWidened(page)) keepWithin(pdf, page.sheet);
    drawOverPage(pdf, drawn, tags);
    if (colours?.blended && (drawn.length > 0 || beside)) blendIn(pdf, colours.rgb);
    fixGeometry(pdf, geometry);
    options.onProgress?.(index + 1, gathered.pages.length);
  }
  const notePages = await addNotePages(doc, notes.last, held, tags, options.deflate);
  await held.finish();
  // Fonts that fields were drawn with have numbers already, but stand in the document only now.
  await doc.flush();
  for (const [index, { areas, bars, seen, beside }] of finishing.entries()) {
    const { pdf } = gathered.pages[index];
    await redacting.page(pdf, index, areas);
    if (bars) drawOverPage(pdf, [{ form: bars }]);
    if (seen) await redacting.around(pdf, index, seen);
    if (!beside) continue;
    drawOverPage(pdf, [beside.over], tags);
    fixGeometry(pdf, beside.page);
  }
  removeInteraction(
    doc,
    gathered.pages.map(({ pdf }) => pdf),
    base,
  );
  addBookmarks(doc, document, gathered.pages);
  const { dead } = addLinks(document, gathered.pages, false);
  if (options.copyOf) noteCopyOf(doc, options.copyOf);
  const redacted = redacting.beside(doc);
  forgetReplaced(doc, replaced);
  const smaller = options.smaller
    ? await makeSmaller(doc, doc.getPages(), options.smaller, options.deflate)
    : null;
  const pdfALost = options.protection ? protect(doc, options.protection) : false;
  return {
    bytes: await writeAnew(doc),
    pages: gathered.pages.length + notePages,
    marksDrawn,
    annotationsDrawn,
    annotatedPages,
    annotationsDropped: dropped,
    linksDropped,
    ...{ printLeft, redacted, picturesLost: redacting.picturesLost },
    linksDead: dead + gathered.linksPruned,
    formDamaged: formDamaged || gathered.formDamaged,
    // Set by the library only where it had a key to use.
    encryptionLost: doc.context.isDecrypted && !options.protection,
    pdfALost,
    signatureLost,
    smaller,
  };
}

/** What is done to a page when everything that is drawn on it stands in the document. */
interface Finishing {
  /** Where bars lie, and the bars. */
  readonly areas: readonly Quad[];
  readonly bars: PDFRef | null;
  /** All that is to be left of it; null where nothing is cut away. */
  readonly seen: Box | null;
  /** Notes beside it, and how wide it is with them. */
  readonly beside: { readonly over: Over; readonly page: PageBox } | null;
}

/** The bytes alone, as the one source that the pages show. */
function ownSource(bytes: Uint8Array, { pages }: DocState, { password }: FixedCopyOptions): Source {
  const [first] = pages.flatMap(({ shows }) => ('source' in shows ? [shows.source] : []));
  return { sha: first ?? '', bytes, ...(password === undefined ? {} : { password }) };
}

const openFirst = ([first]: readonly Source[]): Promise<PDFDocument> =>
  first ? openPdf(first.bytes, first.password) : PDFDocument.create();

/** How a page is seen: as it came, unless the person has turned it or cut it down. */
const geometryOf = ({ page, pdf }: GatheredPage): ReturnType<typeof pageGeometry> =>
  page.turn === 0 && !page.crop ? pageGeometry(pdf) : page;
