import { sizesOn, usualSize } from './headings.ts';
import type { Print, PrintLine } from './print.ts';
import { textOf } from './quote.ts';

/** A text of a page as it is read: a paragraph, a heading, a cell. */
export interface Paragraph {
  readonly text: string;
  /** Of its largest type, points. */
  readonly size: number;
  /** It stands at the head or the foot of the page. */
  readonly running: boolean;
  /** It is set larger than the text around it. */
  readonly heading: boolean;
}

/** Type so much larger than most of the page is a heading; and a heading has no more lines than this. */
const LARGER = 1.12;
const MOST_LINES = 4;

/** The texts of a page in reading order. */
export function paragraphsOf(print: Print): Paragraph[] {
  const usual = usualSize(sizesOn(print));
  const blocks = new Map<number, PrintLine[]>();
  for (const line of print.lines) {
    const block = blocks.get(line.block);
    if (block) block.push(line);
    else blocks.set(line.block, [line]);
  }
  return [...blocks.values()].map((lines) => {
    const [first, last] = [lines[0], lines[lines.length - 1]];
    const size = Math.max(...lines.map((line) => line.size));
    const { running } = first;
    const heading = !running && lines.length <= MOST_LINES && size > LARGER * usual;
    return { text: textOf(print, { from: first.from, to: last.to }), size, running, heading };
  });
}
