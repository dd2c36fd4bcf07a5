import { type CopyNote, CopyFonts, type NotesAt } from '@marginalis/core/copy';
import type { DocState } from '@marginalis/core/document';
import { openPages, opensFreely } from '@marginalis/core/pdfium';
import { type CopyToProve, type Proof, proveCopy, type ProvedPage } from '@marginalis/core/proof';
import { painterFor } from './canvas.ts';
import { textFiles } from './faces.ts';
import { startPdfium } from './pdfium.ts';

export interface CopyOfSource {
  readonly source: Uint8Array;
  readonly password?: string;
  readonly document: DocState;
  readonly notes?: readonly CopyNote[];
  readonly notesAt?: NotesAt;
  /** Pages, from 0; those of the source that have annotations when left out. */
  readonly annotated?: CopyToProve['annotated'];
  readonly smaller?: CopyToProve['smaller'];
  readonly living?: boolean;
  /** What pages are cut down from is to be gone. */
  readonly withoutCut?: boolean;
  /** What is to open the copy; everybody can where nothing is said. */
  readonly lock?: string;
}

let starting: ReturnType<typeof startPdfium> | null = null;

/** Proves a copy outside a browser. @throws PdfRefusal when either cannot be read */
export async function prove(
  {
    source,
    password,
    document,
    notes = [],
    notesAt = 'end',
    annotated,
    smaller,
    living = false,
    withoutCut = false,
    lock,
  }: CopyOfSource,
  copy: Uint8Array,
): Promise<{ readonly proof: Proof; readonly wrong: readonly ProvedPage[] }> {
  const pdfium = await (starting ??= startPdfium());
  const from = openPages(pdfium, source, password);
  try {
    const open = openPages(pdfium, copy, lock);
    try {
      const fonts = new CopyFonts(textFiles);
      const found =
        annotated ??
        Array.from({ length: from.pageCount }, (_, page) => page).filter((page) =>
          from.page(page, (one) => one.annotations().size > 0),
        );
      return await proveCopy(
        {
          ...{ document, notes, notesAt, annotated: found, smaller, living },
          withoutCut,
          locked: lock === undefined ? null : !opensFreely(pdfium, copy),
        },
        {
          sources: () => from,
          copy: open,
          fonts,
          painter: painterFor(fonts, document.attachments),
        },
      );
    } finally {
      open.close();
    }
  } finally {
    from.close();
  }
}
