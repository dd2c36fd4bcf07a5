import { headingsOn } from './headings.ts';
import type { Print } from './print.ts';
import { textOf } from './quote.ts';
import { textsOf } from './texts.ts';

/** A text of a page as it is read: a paragraph, a heading, a cell. */
export interface Paragraph {
  readonly text: string;
  readonly heading: boolean;
}

/** The texts of a page in reading order. */
export function paragraphsOf(print: Print): Paragraph[] {
  const headings = new Set(headingsOn(print).may.map(({ from }) => from));
  return textsOf(print).map((lines) => {
    const { from } = lines[0];
    const text = textOf(print, { from, to: lines[lines.length - 1].to });
    return { text, heading: headings.has(from) };
  });
}
