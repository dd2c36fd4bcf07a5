import { fromAnnotations } from '../../annotations/index.ts';
import { isSigned } from '../inspect.ts';
import { writeAnew } from '../library/writeAnew.ts';
import { openPdf } from '../openPdf.ts';
import { annotationsIn } from './annotationsIn.ts';
import type { ReadAnnotations, ReadAnnotationsOptions } from './readAnnotations.ts';
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
  const { annotations, dicts } = annotationsIn(doc);
  const { marks, threads, taken } = fromAnnotations(annotations, {
    pageId: options.pageId ?? String,
    now: options.now ?? 0,
  });
  const left = annotations.filter((one, k) => one.shown && !taken.has(k));
  const gone = new Set([...taken].map((k) => dicts[k]));
  const onlyAdded = isSigned(doc) && doc.context.isDecrypted !== true;
  const snapshot = onlyAdded ? doc.takeSnapshot() : null;
  for (const ref of takeOff(doc, gone)) snapshot?.markRefForSave(ref);
  if (!snapshot) return { marks, threads, left, source: await writeAnew(doc) };
  const added = await doc.saveIncremental(snapshot, { objectsPerTick: Infinity });
  const source = new Uint8Array(bytes.length + added.length);
  source.set(bytes);
  source.set(added, bytes.length);
  return { marks, threads, left, source };
}
