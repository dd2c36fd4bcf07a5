import type { Quad } from '../../print/index.ts';
import type { MarkBase, WordManner } from '../../marks/index.ts';

/** A word of a strip, and what it takes of it, in shares of its length. */
export interface MarkedWord {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** Marked words of one line, side by side; without any an area of a page whose words cannot be read. */
export interface Strip {
  readonly quad: Quad;
  readonly words: readonly MarkedWord[];
  /** Its last word goes on in the next strip: the line breaks it. */
  readonly joins?: true;
}

/** A mark on words: it knows what they say, and where they are. */
export interface WordsMark extends MarkBase {
  readonly kind: 'words';
  readonly manner: WordManner;
  /** In reading order. */
  readonly strips: readonly Strip[];
  /** What is printed before and after, so that the words are found again. */
  readonly before: string;
  readonly after: string;
}

/** The mark where it is one on words; null where it is something else. */
export const asWords = (mark: MarkBase | null): WordsMark | null =>
  mark?.kind === 'words' ? (mark as WordsMark) : null;

/** Whether it lies on an area of a page whose words cannot be read. */
export const isArea = ({ strips }: Pick<WordsMark, 'strips'>): boolean =>
  strips.every(({ words }) => words.length === 0);

/** What the marked words say. */
export function textOfStrips(strips: readonly Strip[]): string {
  let text = '';
  strips.forEach(({ words, joins }, k) => {
    const said = words.map((word) => word.text).join(' ');
    const isLast = k === strips.length - 1;
    text += joins && !isLast ? said.slice(0, -1) : isLast ? said : `${said} `;
  });
  return text;
}
