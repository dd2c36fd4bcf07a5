import { isFromRight } from '../print/index.ts';
import type { Type } from './typeOf.ts';

/** Ink reaches no farther beyond what its character takes of the line, in sizes of type. */
const OVERHANG = 0.15;

/** Takes a box across the line from what its face says, rather than from the largest of its glyphs. */
export function setAcross(
  boxes: Float32Array,
  n: number,
  origins: Float32Array,
  { up, down, axis }: NonNullable<Type['reach']>,
): void {
  const k = axis === 'x' ? 0 : 1;
  const base = origins[2 * n + k];
  boxes[4 * n + k] = base + Math.min(up, down);
  boxes[4 * n + k + 2] = base + Math.max(up, down);
}

/** The box of the character before, which PDFium makes as wide as its ink, ends where this one begins. */
export function endBeforeNext(
  boxes: Float32Array,
  origins: Float32Array,
  n: number,
  { reach, isForward, size }: Type,
): void {
  const k = reach?.axis === 'x' ? 1 : 0;
  const [low, high] = [4 * (n - 1) + k, 4 * (n - 1) + k + 2];
  const next = origins[2 * n + k];
  if (Math.abs(origins[2 * (n - 1) + k] - next) < OVERHANG * size) return;
  if (isForward && boxes[high] > next && boxes[high] - next < OVERHANG * size) boxes[high] = next;
  if (!isForward && boxes[low] < next && next - boxes[low] < OVERHANG * size) boxes[low] = next;
}

/** Accents that are drawn by themselves over a letter are none. */
const isLetter = (code: number): boolean => /^\p{L}/u.test(String.fromCodePoint(code));

/** Whether two characters stand at one place and have one box. */
function isOne(a: number, b: number, origins: Float32Array, boxes: Float32Array): boolean {
  return (
    origins[2 * a] === origins[2 * b] &&
    origins[2 * a + 1] === origins[2 * b + 1] &&
    boxes[4 * a] === boxes[4 * b] &&
    boxes[4 * a + 1] === boxes[4 * b + 1] &&
    boxes[4 * a + 2] === boxes[4 * b + 2] &&
    boxes[4 * a + 3] === boxes[4 * b + 3]
  );
}

/** The letters of a ligature come with the box of all of them, each: they share its width evenly. */
export function shareLigatures(
  n: number,
  codes: Uint32Array,
  origins: Float32Array,
  boxes: Float32Array,
): void {
  for (let from = 0, to = 1; from < n; from = to++) {
    if (to >= n || !isOne(from, to, origins, boxes) || !isLetter(codes[from])) continue;
    while (to < n && isOne(from, to, origins, boxes) && isLetter(codes[to])) to++;
    const count = to - from;
    if (count === 1) continue;
    // Along the line is the way in which the box begins at the origin.
    const [x, y] = [boxes[4 * from], boxes[4 * from + 1]];
    const k = Math.abs(origins[2 * from] - x) < Math.abs(origins[2 * from + 1] - y) ? 0 : 1;
    const [start, end] = [boxes[4 * from + k], boxes[4 * from + k + 2]];
    for (let i = from; i < to; i++) {
      const nth = isFromRight(codes[i]) ? to - 1 - i : i - from;
      boxes[4 * i + k] = start + ((end - start) * nth) / count;
      boxes[4 * i + k + 2] = start + ((end - start) * (nth + 1)) / count;
    }
  }
}
