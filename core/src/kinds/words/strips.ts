import type { Vec } from '../../geometry/index.ts';
import {
  linesWithin,
  partOfQuad,
  type Print,
  type Quad,
  quadsOf,
  type TextRange,
} from '../../print/index.ts';
import type { MarkedWord, Strip } from './mark.ts';

/** The strips that cover a part of what is printed. */
export function stripsOf(print: Print, range: TextRange): Strip[] {
  return linesWithin(print, range).map((line): Strip => {
    const part = { from: Math.max(range.from, line.from), to: Math.min(range.to, line.to) };
    const [quad] = quadsOf(print, part);
    const words = print.words
      .filter((word) => word.from < part.to && word.to > part.from)
      .map((word): MarkedWord => {
        const [from, to] = [Math.max(word.from, part.from), Math.min(word.to, part.to)];
        const [start, end] = sharesOf(quad, quadsOf(print, { from, to })[0]);
        return { text: print.text.slice(from, to), from: start, to: end };
      });
    const goesOn = line.breaks && part.to === line.to && range.to > line.to;
    return goesOn ? { quad, words, joins: true } : { quad, words };
  });
}

/** Where a piece of a line lies along a longer one, in shares of that one's length. */
function sharesOf([, , start, end]: Quad, [, , from, to]: Quad): [number, number] {
  const [dx, dy] = [end.x - start.x, end.y - start.y];
  const long = dx * dx + dy * dy || 1;
  const share = (p: Vec): number =>
    Math.min(1, Math.max(0, ((p.x - start.x) * dx + (p.y - start.y) * dy) / long));
  return [share(from), share(to)];
}

/** An area goes whole. */
const WHOLE = { text: '', from: 0, to: 1 };

/** What is left of strips without some of their words: they are cut between words. */
export function withoutWords(
  strips: readonly Strip[],
  isGone: (strip: Strip, word: MarkedWord) => boolean,
): Strip[] {
  return strips.flatMap((strip): Strip[] => {
    if (strip.words.length === 0) return isGone(strip, WHOLE) ? [] : [strip];
    const runs: MarkedWord[][] = [];
    let open = false;
    for (const word of strip.words) {
      if (isGone(strip, word)) open = false;
      else if (open) runs[runs.length - 1].push(word);
      else {
        runs.push([word]);
        open = true;
      }
    }
    if (runs.length === 1 && runs[0].length === strip.words.length) return [strip];
    const last = strip.words[strip.words.length - 1];
    return runs.map((words) => cut(strip, words, words.includes(last)));
  });
}

function cut({ quad, joins }: Strip, words: readonly MarkedWord[], isEnd: boolean): Strip {
  const [from, to] = [words[0].from, words[words.length - 1].to];
  const along = (u: number): number => (u - from) / (to - from || 1);
  return {
    quad: partOfQuad(quad, from, to),
    words: words.map((word) => ({ ...word, from: along(word.from), to: along(word.to) })),
    ...(joins && isEnd ? { joins } : {}),
  };
}
