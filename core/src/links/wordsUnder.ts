import { boxCentre, type Box } from '../geometry/index.ts';
import type { Print } from '../print/index.ts';

/** More of them say no more, characters. */
const ENOUGH = 120;

/** The words that are printed where a link lies, as one line; empty where there are none. */
export function wordsUnder({ text, words }: Print, areas: readonly Box[]): string {
  const line = words
    .filter(({ box }) => areas.some((area) => holds(area, boxCentre(box))))
    .map(({ from, to }) => text.slice(from, to))
    .join(' ');
  return line.length > ENOUGH ? `${line.slice(0, ENOUGH - 1)}…` : line;
}

const holds = (
  { minX, minY, maxX, maxY }: Box,
  { x, y }: { readonly x: number; readonly y: number },
): boolean => x >= minX && x <= maxX && y >= minY && y <= maxY;
