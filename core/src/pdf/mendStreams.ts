import { PDFNumber, PDFName, type PDFDocument, PDFRawStream, PDFRef } from '@cantoo/pdf-lib';

/** How many of a cut stream's last bytes are looked for in the source. */
const TAIL = 48;

/**
 * Gives streams back the last byte or two that the library takes for a line end: where a stream's length
 * stands in another object, it reads up to "endstream" and drops any line end before it, though that may
 * be data (the checksum of compressed data, most often).
 */
export function mendStreams(doc: PDFDocument, source: Uint8Array): void {
  const { context } = doc;
  for (const [ref, object] of context.enumerateIndirectObjects()) {
    if (!(object instanceof PDFRawStream)) continue;
    const length = object.dict.get(PDFName.of('Length'));
    const told = length instanceof PDFRef ? context.lookup(length) : undefined;
    if (!(told instanceof PDFNumber)) continue;
    const missing = told.asNumber() - object.contents.length;
    if (missing !== 1 && missing !== 2) continue;
    const rest = bytesAfter(source, object.contents, missing);
    if (!rest) continue;
    const whole = new Uint8Array(told.asNumber());
    whole.set(object.contents);
    whole.set(rest, object.contents.length);
    context.assign(ref, PDFRawStream.of(object.dict, whole));
  }
}

/** What stands in `source` after `contents`, found by its last bytes; null when it is not there as it is. */
function bytesAfter(source: Uint8Array, contents: Uint8Array, count: number): Uint8Array | null {
  const tail = contents.subarray(Math.max(0, contents.length - TAIL));
  if (tail.length === 0) return null;
  const last = tail[tail.length - 1];
  for (let at = source.indexOf(last); at >= 0; at = source.indexOf(last, at + 1)) {
    const start = at - tail.length + 1;
    if (start >= 0 && tail.every((b, i) => source[start + i] === b))
      return source.subarray(at + 1, at + 1 + count);
  }
  return null;
}
