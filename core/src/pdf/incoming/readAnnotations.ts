import type { PDFDict, PDFDocument } from '@cantoo/pdf-lib';
import { type Annotation, fromAnnotations } from '../../annotations/index.ts';
import type { Attachment, Thread } from '../../document/index.ts';
import type { Mark } from '../../kinds/index.ts';
import type { PageId } from '../../marks/index.ts';
import { openPdf } from '../openPdf.ts';
import type { PictureTools } from '../smaller/pictureTools.ts';
import { annotationsIn } from './annotationsIn.ts';
import { withStamps } from './stamps.ts';

export interface ReadAnnotationsOptions {
  readonly password?: string;
  /** What a page, from 0, is called; its number in words when left out. */
  readonly pageId?: (page: number) => PageId;
  /** For what does not say when it was made, milliseconds since 1970. */
  readonly now?: number;
  /** Draws stamps, which become pictures then; without they are left where they are. */
  readonly tools?: () => Promise<PictureTools>;
}

/** What other programs have written on the pages of a PDF. */
export interface ReadAnnotations {
  readonly marks: readonly Mark[];
  readonly threads: readonly Thread[];
  /** What the marks show. */
  readonly attachments: readonly Attachment[];
  /** Annotations that could be no marks, and are left where they are. */
  readonly left: readonly Annotation[];
}

/**
 * Reads the annotations of a PDF as marks and threads of their authors. Marks on words do not know these yet: see `overPrint`.
 * @throws PdfRefusal when it cannot be opened
 */
export async function readAnnotations(
  source: Uint8Array,
  options: ReadAnnotationsOptions = {},
): Promise<ReadAnnotations> {
  const doc = await openPdf(source, options.password);
  const { marks, threads, attachments, left } = await annotationsAsMarks(doc, options);
  return { marks, threads, attachments, left };
}

/** The same of an open document; `taken` are the dictionaries of what has become marks and threads. */
export async function annotationsAsMarks(
  doc: PDFDocument,
  { pageId = String, now = 0, tools }: ReadAnnotationsOptions,
): Promise<ReadAnnotations & { readonly taken: ReadonlySet<PDFDict> }> {
  const { annotations: found, dicts } = annotationsIn(doc);
  const annotations = tools ? await withStamps(found, dicts, doc.context, tools) : found;
  const { marks, threads, attachments, taken } = fromAnnotations(annotations, { pageId, now });
  return {
    ...{ marks, threads, attachments },
    left: annotations.filter((one, k) => one.shown && !taken.has(k)),
    taken: new Set([...taken].map((k) => dicts[k])),
  };
}
