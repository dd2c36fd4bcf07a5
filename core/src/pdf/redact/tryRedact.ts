import type { Quad } from '../../print/index.ts';
import { openPdf } from '../openPdf.ts';
import { beneathBars } from './gone.ts';
import { redactPage } from './redactPage.ts';
import { troubleInWords } from './trouble.ts';

/**
 * Why what lies beneath bars on a page, from 0, of a file cannot be taken out, as a sentence; null where it can. Nothing of the file is changed.
 * @throws PdfRefusal
 */
export async function tryRedact(
  bytes: Uint8Array,
  page: number,
  quads: readonly Quad[],
  password?: string,
): Promise<string | null> {
  const doc = await openPdf(bytes, password);
  const { trouble } = await redactPage(doc.getPage(page), beneathBars(quads), {
    // What pictures are packed as is not looked at.
    deflate: async (samples) => samples,
  });
  return trouble && troubleInWords(trouble);
}
