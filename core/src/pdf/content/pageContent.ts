import {
  decodePDFRawStream,
  PDFArray,
  PDFName,
  type PDFPage,
  PDFRawStream,
  PDFStream,
} from '@cantoo/pdf-lib';

/** The page's content streams decoded and joined by line ends; streams that cannot be decoded are left out. */
export function pageContent(page: PDFPage): Uint8Array {
  const contents = page.node.lookup(PDFName.of('Contents'));
  const streams =
    contents instanceof PDFArray
      ? Array.from({ length: contents.size() }, (_, i) => contents.lookup(i))
      : [contents];
  const parts = streams
    .map((s) => (s instanceof PDFStream ? streamBytes(s) : null))
    .filter((p) => p !== null);
  const out = new Uint8Array(parts.reduce((n, p) => n + p.length + 1, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
    out[at++] = 10;
  }
  return out;
}

/** The decoded bytes of a stream; null where its filter is not known or its data is damaged. */
export function streamBytes(stream: PDFStream): Uint8Array | null {
  try {
    return stream instanceof PDFRawStream
      ? decodePDFRawStream(stream).decode()
      : stream.getContents();
  } catch {
    // A viewer leaves such a stream out, and so does everything that reads it here.
    return null;
  }
}
