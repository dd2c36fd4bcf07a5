import {
  mapPath,
  mapSize,
  type Path,
  PathBuilder,
  IDENTITY,
  transform,
} from '../../geometry/index.ts';
import type { InkMark } from './mark.ts';

/** Widths that differ by less, of one, are the same. */
const SAME = 1e-6;

/** The outline that another program has drawn, where the ink is now; null where there is none, or the ink has been rubbed or made wider since. */
export function drawnOutline({ ink, style, left }: InkMark): Path | null {
  const { drawn, place = IDENTITY } = ink;
  if (!drawn || left) return null;
  const asWide = drawn.width * mapSize(place);
  if (Math.abs(style.width - asWide) > SAME * asWide) return null;
  return mapPath(drawn.outline, (x, y) => transform(place, { x, y }));
}

const LETTERS = ['M', 'L', 'C', 'Z'] as const;
const COUNTS = { M: 2, L: 2, C: 6, Z: 0 } as const;

/** A path as text: a letter for each verb, its numbers after it, to a thousandth of a point. */
export function pathText({ verbs, coords }: Path): string {
  const parts: string[] = [];
  let at = 0;
  for (const verb of verbs) {
    const letter = LETTERS[verb];
    const numbers = coords.subarray(at, at + COUNTS[letter]);
    parts.push(letter + Array.from(numbers, (n) => String(Math.round(1000 * n) / 1000)).join(' '));
    at += COUNTS[letter];
  }
  return parts.join('');
}

/** @throws RangeError for what {@link pathText} does not write */
export function readPathText(text: string): Path {
  const path = new PathBuilder();
  if (!/^(?:[MLC][-\d. ]+|Z)*$/.test(text)) throw new RangeError('This is no path.');
  let begun = false;
  for (const [part] of text.matchAll(/[MLCZ][^MLCZ]*/g)) {
    const letter = part[0] as (typeof LETTERS)[number];
    const n = part.length === 1 ? [] : part.slice(1).split(' ').map(Number);
    const isWhole = n.length === COUNTS[letter] && n.every((one) => Math.abs(one) <= 1e6);
    if (!isWhole || (letter !== 'M' && !begun)) throw new RangeError('This is no path.');
    begun = true;
    if (letter === 'M') path.moveTo(n[0], n[1]);
    else if (letter === 'L') path.lineTo(n[0], n[1]);
    else if (letter === 'C') path.bezierCurveTo(n[0], n[1], n[2], n[3], n[4], n[5]);
    else path.closePath();
  }
  return path.build();
}
