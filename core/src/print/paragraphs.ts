import { type Box, uniteBoxes } from '../geometry/index.ts';
import { headingsOn } from './headings.ts';
import type { Print } from './print.ts';
import { textOf } from './quote.ts';
import { textsOf } from './texts.ts';

/** A part of a page as it is told to those who do not see it; boxes in user space. */
export type Told =
  /** A text: a paragraph, a caption, a cell. */
  | { readonly is: 'paragraph'; readonly text: string; readonly box: Box }
  /** `level` from 1; 0 where nothing tells it. */
  | { readonly is: 'heading'; readonly text: string; readonly box: Box; readonly level: number }
  /** What the file says in place of a picture; nothing tells where it stands. */
  | { readonly is: 'picture'; readonly text: string }
  | { readonly is: 'list'; readonly items: readonly (readonly Told[])[] };

/** The texts of a page in reading order, as they are printed. */
export function paragraphsOf(print: Print): Told[] {
  const headings = new Set(headingsOn(print).may.map(({ from }) => from));
  return textsOf(print).map((lines) => {
    const { from } = lines[0];
    const text = textOf(print, { from, to: lines[lines.length - 1].to });
    const box = lines.map((line) => line.box).reduce(uniteBoxes);
    return headings.has(from)
      ? { is: 'heading', text, box, level: 0 }
      : { is: 'paragraph', text, box };
  });
}
