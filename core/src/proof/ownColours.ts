import type { Drawing, Item } from '../drawing/index.ts';
import { box, boxPath } from '../geometry/index.ts';
import type { Raster } from '../pdfium/index.ts';

/** Levels between two colours that are told apart, so that painting may round them. */
const STEP = 4;
/** How many there are in a channel. */
const LEVELS = 64;
/** Opacity from which a pixel is a mark's own, and not its edge. */
const OWN = 160;

/** So many marks are told apart in one painting; the colour after them is nobody's. */
export const MOST_APART = LEVELS * LEVELS - 1;

const channel = (level: number): number => level * STEP + STEP / 2;
/** Mixtures of two colours, as at the edges of marks, seldom have this right. */
const checkOf = (high: number, low: number): number => (7 * high + 13 * low + 5) % LEVELS;

function colourOf(index: number): string {
  const [high, low] = [Math.floor(index / LEVELS), index % LEVELS];
  const levels = [high, low, checkOf(high, low)];
  return `#${levels.map((level) => channel(level).toString(16).padStart(2, '0')).join('')}`;
}

/** A drawing in one opaque colour: that of its number, or nobody's. Text is in glyphs. */
export const inOwnColour = (drawing: Drawing, index: number | null): Drawing =>
  drawing.map((item) => inColour(item, colourOf(index ?? MOST_APART)));

function inColour(item: Item, colour: string): Item {
  const paint = { colour, opacity: 1 };
  switch (item.is) {
    case 'fill':
      return { is: 'fill', path: item.path, paint };
    case 'glyphs':
      return { is: 'glyphs', run: item.run, paint };
    case 'picture':
      return { is: 'fill', path: boxPath(box(0, 0, 1, 1), item.place), paint };
    case 'group': {
      const { clip, items } = item;
      return {
        is: 'group',
        items: items.map((one) => inColour(one, colour)),
        ...(clip ? { clip } : {}),
      };
    }
    case 'text':
      throw new RangeError('Text is set before it is told apart.');
  }
}

/** Which number each pixel has been painted for, from 0; -1 where for none, or at an edge. */
export function ownersIn({ data, width, height }: Raster, count: number): Int32Array {
  const owners = new Int32Array(width * height).fill(-1);
  for (let i = 0; i < owners.length; i++) {
    const k = 4 * i;
    if (data[k + 3] < OWN) continue;
    const high = Math.floor(data[k] / STEP);
    const low = Math.floor(data[k + 1] / STEP);
    const index = high * LEVELS + low;
    if (index < count && Math.floor(data[k + 2] / STEP) === checkOf(high, low)) owners[i] = index;
  }
  return owners;
}
