import type { PageText, Print, PrintLine, TextRange } from './print.ts';

/** A sentence, and whether it stands at the head or the foot of the page, off its text. */
export interface Sentence extends TextRange {
  readonly running: boolean;
}

const known = new WeakMap<Print, readonly Sentence[]>();

/** The sentences of a page in reading order. One ends with its paragraph: what stands under a heading does not go on with it. */
export function sentencesOf(print: Print): readonly Sentence[] {
  let sentences = known.get(print);
  if (!sentences) known.set(print, (sentences = find(print)));
  return sentences;
}

function find(print: Print): Sentence[] {
  const { lines } = print;
  const segmenter = new Intl.Segmenter(undefined, { granularity: 'sentence' });
  const sentences: Sentence[] = [];
  for (let first = 0, last = 0; first < lines.length; first = ++last) {
    while (last + 1 < lines.length && continues(print, last)) last++;
    const { from, running } = lines[first];
    const text = print.text.slice(from, lines[last].to).replace(/\n/gu, ' ');
    for (const { index, segment } of segmenter.segment(text)) {
      const start = from + index + segment.length - segment.trimStart().length;
      const to = from + index + segment.trimEnd().length;
      if (to > start) sentences.push({ from: start, to, running });
    }
  }
  return sentences;
}

/** Whether the text of a line goes on in the next: in one block, or over the end of a column with a small letter. */
function continues({ lines, text }: Print, k: number): boolean {
  const [line, next]: PrintLine[] = [lines[k], lines[k + 1]];
  if (line.running !== next.running) return false;
  if (line.block === next.block || line.breaks) return true;
  return /[^.!?:]$/u.test(text.slice(line.from, line.to)) && /\p{Ll}/u.test(text[next.from]);
}

/** A part of the text as it is said, and for each of its units the one of the page's text it stands for. */
export interface Spoken {
  readonly text: string;
  readonly places: readonly number[];
}

/** What is said for a part of the text: lines go on, and words that a line's end has broken are whole. */
export function spokenOf(print: PageText, { from, to }: TextRange): Spoken {
  const breaks = new Set(print.breaks);
  let text = '';
  const places: number[] = [];
  for (let k = from; k < to; k++) {
    if (breaks.has(k) || (breaks.has(k + 1) && k + 2 < to)) continue;
    text += print.text[k] === '\n' ? ' ' : print.text[k];
    places.push(k);
  }
  return { text, places };
}
