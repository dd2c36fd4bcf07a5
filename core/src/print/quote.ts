import type { PageText, TextRange } from './print.ts';
import { spokenOf } from './sentences.ts';

/** Words as they are printed, with a little of what stands before and after, so that they are found again. */
export interface Quote {
  readonly exact: string;
  readonly before: string;
  readonly after: string;
}

/** Units of text that a quote has before and after. */
const AROUND = 32;

/** A part of the text as it is read: lines go on, and words that a line's end has broken are whole. */
export const textOf = (print: PageText, range: TextRange): string => spokenOf(print, range).text;

/** What a part of the text says, and what stands around it. */
export function quoteOf(print: PageText, range: TextRange): Quote {
  return {
    exact: textOf(print, range),
    before: textOf(print, { from: Math.max(0, range.from - AROUND), to: range.from }),
    after: textOf(print, { from: range.to, to: Math.min(print.text.length, range.to + AROUND) }),
  };
}
