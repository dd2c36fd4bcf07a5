import type { PDFPage, PDFStream } from '@cantoo/pdf-lib';
import type { PageMarks } from '../document/index.ts';
import { inPolygon } from '../geometry/index.ts';
import { kindFor, type TakenPrint } from '../kinds/index.ts';
import { aroundQuad } from '../print/index.ts';
import type { TextTrouble } from './content/shownFont.ts';
import { takeTextOut } from './content/takeTextOut.ts';
import { openPdf } from './openPdf.ts';

/** Print that is to be gone from a page by its marks. */
export const printTakenOut = (marks: PageMarks): TakenPrint[] =>
  [...marks.values()].flatMap((mark) => kindFor(mark).takesOut?.(mark) ?? []);

/** What became of print that was to go. */
export interface PrintTakenOut {
  /** Pieces whose letters are gone. */
  readonly gone: number;
  /** What they said whose letters are not, or not all of them. */
  readonly left: readonly string[];
  /** Why letters could not be told apart. */
  readonly trouble: TextTrouble | null;
}

/** Letters without the spaces between them: a file need not have these. */
const lettersIn = (text: string): number => [...text.replace(/\s/g, '')].length;
/** Of the letters that are read no more are one letter of the file on the mean: ligatures. */
const MOST_IN_ONE = 1.5;

/** Takes print out of the content of a page; of each piece it is told whether it is gone, and which forms others are drawn in place of. */
export function takeOutPrint(
  page: PDFPage,
  taken: readonly TakenPrint[],
): PrintTakenOut & { readonly replaced: readonly PDFStream[] } {
  if (taken.length === 0) return { gone: 0, left: [], trouble: null, replaced: [] };
  const areas = taken.map(({ quad }) => aroundQuad(quad));
  const counts = areas.map(() => 0);
  const doubtful = new Set<number>();
  const { trouble, replaced } = takeTextOut(page, ({ middle, isKnown }) => {
    const k = areas.findIndex((corners) => inPolygon(corners, middle));
    if (k < 0) return false;
    if (isKnown) counts[k]++;
    else doubtful.add(k);
    return true;
  });
  const left = taken.flatMap(({ says }, k) => {
    const isGone = counts[k] > 0 && counts[k] * MOST_IN_ONE >= lettersIn(says);
    return lettersIn(says) === 0 || (isGone && !doubtful.has(k) && trouble !== 'forms') ? [] : says;
  });
  return { gone: taken.length - left.length, left, trouble, replaced };
}

/** Whether print can be taken out of a page, from 0, of a file; nothing of the file is changed. @throws PdfRefusal */
export async function tryTakeOut(
  bytes: Uint8Array,
  page: number,
  taken: readonly TakenPrint[],
  password?: string,
): Promise<PrintTakenOut> {
  const doc = await openPdf(bytes, password);
  const { gone, left, trouble } = takeOutPrint(doc.getPage(page), taken);
  return { gone, left, trouble };
}
