import { isWithin } from '../geometry/index.ts';
import type { Print } from './print.ts';
import { areasOfQuads, type Quad } from './quads.ts';

/** The printed words that lie beneath bars, a line a line; of those that lie beneath in part the letters that do. */
export function textBeneath({ boxes, words, text }: Print, quads: readonly Quad[]): string {
  const areas = areasOfQuads(quads);
  const isBeneath = (unit: number): boolean => {
    const [minX, minY, maxX, maxY] = boxes.subarray(4 * unit, 4 * unit + 4);
    const middle = { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
    return areas.some((area) => isWithin(area, middle));
  };
  let said = '';
  let line = -1;
  for (const word of words) {
    let letters = '';
    for (let k = word.from; k < word.to; k++) if (isBeneath(k)) letters += text[k];
    if (letters === '') continue;
    said += said === '' ? letters : `${word.line === line ? ' ' : '\n'}${letters}`;
    line = word.line;
  }
  return said;
}
