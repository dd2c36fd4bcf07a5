import { lerp } from '../../geometry/index.ts';
import {
  partOfQuad,
  placeNear,
  type Print,
  type TextRange,
  wordAround,
} from '../../print/index.ts';
import type { Strip } from './mark.ts';

/** Words are found again no farther than this from where they were marked, points. */
const REACH = 4;

/** The part of the text that a mark lies on, strip by strip; null where the print has changed beneath it. */
export function rangesOf(print: Print, strips: readonly Strip[]): TextRange[] | null {
  const ranges = strips.map((strip) => rangeOf(print, strip));
  return ranges.every((range) => range !== null) ? ranges : null;
}

function rangeOf(print: Print, { quad, words }: Strip): TextRange | null {
  if (words.length === 0) return null;
  const at = (share: number): number | null => {
    const [head, , foot] = partOfQuad(quad, share, share);
    return placeNear(print, lerp(head, foot, 0.5), REACH);
  };
  const [from, to] = [at(words[0].from), at(words[words.length - 1].to)];
  if (from === null || to === null) return null;
  // Words written from the right begin where their strip ends.
  return from === to
    ? wordAround(print, from)
    : { from: Math.min(from, to), to: Math.max(from, to) };
}
