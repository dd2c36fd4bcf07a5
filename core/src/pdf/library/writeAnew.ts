import type { PDFDocument } from '@cantoo/pdf-lib';
import { quickenCrossReferences } from './quickCrossReferences.ts';
import { keepReachable } from './reachable.ts';

/** Writes a document as a file of its own: what can be reached of it, and nothing else. */
export function writeAnew(doc: PDFDocument): Promise<Uint8Array> {
  keepReachable(doc.context);
  quickenCrossReferences();
  return doc.save({
    updateFieldAppearances: false,
    addDefaultPage: false,
    // Runs in a worker, which is ended to stop it; pausing between objects would only cost time.
    objectsPerTick: Infinity,
  });
}
