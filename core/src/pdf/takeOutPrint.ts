import type { PDFPage } from '@cantoo/pdf-lib';
import type { PageMarks } from '../document/index.ts';
import { inPolygon } from '../geometry/index.ts';
import { kindFor, type TakenPrint } from '../kinds/index.ts';
import { aroundQuad } from '../print/index.ts';
import type { FontTrouble } from './content/shownFont.ts';
import { openPdf } from './openPdf.ts';
import { takeTextOut } from './content/takeTextOut.ts';

/** Print that is to be gone from a page by its marks. */
export const printTakenOut = (marks: PageMarks): TakenPrint[] =>
  [...marks.values()].flatMap((mark) => kindFor(mark).takesOut?.(mark) ?? []);

/** What became of print that was to go. */
export interface PrintTakenOut {
  /** Lines whose letters are gone. */
  readonly gone: number;
  /** What they said whose letters are not, or not all of them. */
  readonly left: readonly string[];
  /** Why letters could not be told apart. */
  readonly trouble: FontTrouble | null;
}

/** Letters without the spaces between them: a file need not have these. */
const lettersIn = (text: string): number => [...text.replace(/\s/g, '')].length;

/** Takes print out of the content of a page, each piece by itself, so that it is known of each whether it is gone. */
export function takeOutPrint(page: PDFPage, taken: readonly TakenPrint[]): PrintTakenOut {
  const left: string[] = [];
  let gone = 0;
  let trouble: FontTrouble | null = null;
  for (const { quad, says } of taken) {
    const corners = aroundQuad(quad);
    const done = takeTextOut(page, ({ middle }) => inPolygon(corners, middle));
    trouble ??= done.trouble;
    // One letter of the file may be two as they are read: a ligature.
    if (done.taken * MOST_IN_ONE >= lettersIn(says) && done.taken > 0 && !done.trouble) gone++;
    else if (lettersIn(says) > 0) left.push(says);
  }
  return { gone, left, trouble };
}

/** Of the letters that are read no more are one letter of the file on the mean. */
const MOST_IN_ONE = 1.5;

/** Whether print can be taken out of a page, from 0, of a file; nothing of the file is changed. @throws PdfRefusal */
export async function tryTakeOut(
  bytes: Uint8Array,
  page: number,
  taken: readonly TakenPrint[],
  password?: string,
): Promise<PrintTakenOut> {
  const doc = await openPdf(bytes, password);
  return takeOutPrint(doc.getPage(page), taken);
}
