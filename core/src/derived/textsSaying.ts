import { findInPrint, type FindOptions, type Quote, quoteOf } from '../print/index.ts';
import { asText } from '../kinds/index.ts';
import type { ListedMark } from './markList.ts';

/** A text box that says a term. */
export interface TextHit {
  readonly row: ListedMark;
  /** Where it says it first, and what stands around it there. */
  readonly quote: Quote;
}

/** The text boxes that say a term, found as it is in print. */
export function textsSaying(
  marks: readonly ListedMark[],
  term: string,
  how: FindOptions = {},
): TextHit[] {
  return marks.flatMap((row) => {
    if (!asText(row.mark)) return [];
    const text = { text: row.words.text, breaks: [] };
    const [range] = findInPrint(text, term, how);
    return range ? [{ row, quote: quoteOf(text, range) }] : [];
  });
}
