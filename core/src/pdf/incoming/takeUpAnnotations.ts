import { isSigned } from '../inspect.ts';
import { addTo } from '../library/addTo.ts';
import { writeAnew } from '../library/writeAnew.ts';
import { openPdf } from '../openPdf.ts';
import {
  annotationsAsMarks,
  type ReadAnnotations,
  type ReadAnnotationsOptions,
} from './readAnnotations.ts';
import { takeOff } from './takeOff.ts';

/** Annotations taken off their pages, as marks. */
export interface TakenUp extends ReadAnnotations {
  /** The PDF without what has become marks. */
  readonly source: Uint8Array;
}

/**
 * Reads the annotations of a PDF as marks and threads, and takes these off its pages, so that none is seen twice. A signed file is only added to: its signature
 * stays; every other is written anew, and what was taken off is nowhere in it.
 * @throws PdfRefusal when it cannot be opened
 */
export async function takeUpAnnotations(
  bytes: Uint8Array,
  options: ReadAnnotationsOptions = {},
): Promise<TakenUp> {
  const doc = await openPdf(bytes, options.password);
  const { marks, threads, attachments, left, taken } = await annotationsAsMarks(doc, options);
  const onlyAdded = isSigned(doc) && doc.context.isDecrypted !== true;
  const snapshot = onlyAdded ? doc.takeSnapshot() : null;
  for (const ref of takeOff(doc, taken)) snapshot?.markRefForSave(ref);
  const source = snapshot ? await addTo(bytes, doc, snapshot) : await writeAnew(doc);
  return { marks, threads, attachments, left, source };
}
