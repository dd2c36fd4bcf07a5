import type { PDFDocument } from '@cantoo/pdf-lib';

/** What of a document has been marked as changed since. */
export type Snapshot = ReturnType<PDFDocument['takeSnapshot']>;

/** A file that is only added to (ISO 32000-1 §7.5.6): its bytes stand at the head of what it gives. */
export async function addTo(
  bytes: Uint8Array,
  doc: PDFDocument,
  snapshot: Snapshot,
): Promise<Uint8Array> {
  const added = await doc.saveIncremental(snapshot, { objectsPerTick: Infinity });
  const out = new Uint8Array(bytes.length + added.length);
  out.set(bytes);
  out.set(added, bytes.length);
  return out;
}
