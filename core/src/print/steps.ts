import { boxCentre } from '../geometry/index.ts';
import type { Print, PrintWord } from './print.ts';

/** The number of the word that a place in the text is in, or else of the last one before it; 0 before the first. */
export function wordNumber({ words }: Print, place: number): number {
  const after = words.findIndex(({ from }) => from > place);
  return Math.max(0, (after < 0 ? words.length : after) - 1);
}

/** The number of the word on the next line, or the one before, that stands nearest beneath or above a word; null past the ends of the page. */
export function wordOnNextLine(print: Print, word: number, by: 1 | -1): number | null {
  const { words, lines } = print;
  const here = words[word];
  const { angle } = lines[here.line];
  const along = ({ box }: PrintWord): number => {
    const { x, y } = boxCentre(box);
    return x * Math.cos(angle) + y * Math.sin(angle);
  };
  let line: number | null = null;
  let best: number | null = null;
  for (let k = word + by; k >= 0 && k < words.length; k += by) {
    if (words[k].line === here.line) continue;
    line ??= words[k].line;
    if (words[k].line !== line) break;
    const away = (n: number): number => Math.abs(along(words[n]) - along(here));
    if (best === null || away(k) < away(best)) best = k;
  }
  return best;
}
