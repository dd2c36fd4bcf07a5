import { PdfRefusal } from '../document/index.ts';
import type { PdfiumModule } from './module.ts';
import { openPages } from './openPages.ts';

/** Whether a PDF opens without a password. @throws PdfRefusal when it cannot be read for another reason */
export function opensFreely(module: PdfiumModule, bytes: Uint8Array): boolean {
  try {
    openPages(module, bytes).close();
    return true;
  } catch (e) {
    if (e instanceof PdfRefusal && e.reason === 'locked') return false;
    throw e;
  }
}
