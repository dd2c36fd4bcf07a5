import { type PDFDocument, PDFStream } from '@cantoo/pdf-lib';
import { drawnStreams } from './drawnStreams.ts';

/**
 * Takes forms and pictures that are drawn no more out of a document, whoever has a name for them still: a page may name them, another page that has the same
 * names, the structure of a tagged file. Those that something else draws stay.
 */
export function forgetReplaced(doc: PDFDocument, replaced: ReadonlySet<PDFStream>): void {
  if (replaced.size === 0) return;
  const drawn = drawnStreams(doc);
  for (const [ref, object] of doc.context.enumerateIndirectObjects())
    if (object instanceof PDFStream && replaced.has(object) && !drawn.has(object))
      doc.context.delete(ref);
}
