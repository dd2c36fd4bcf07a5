import fc from 'fast-check';
import { polygonPath } from '../geometry/index.ts';
import type { Drawing } from '../drawing/index.ts';
import { marksFound } from './marksFound.ts';
import { inOwnColour, MOST_APART, ownersIn } from './ownColours.ts';

const square: Drawing = [
  {
    is: 'group',
    blend: 'multiply',
    opacity: 0.4,
    items: [
      { is: 'fill', path: polygonPath([{ x: 0, y: 0 }]), paint: { colour: '#ffee00', opacity: 1 } },
    ],
  },
];
const colourOf = (index: number | null): string => {
  const [group] = inOwnColour(square, index);
  const [item] = group.is === 'group' ? group.items : [];
  return item.is === 'fill' ? item.paint.colour : '';
};
const channels = (colour: string): number[] =>
  [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));
const pixel = (colour: string, by: number, opacity = 255) => ({
  width: 1,
  height: 1,
  data: Uint8ClampedArray.from([...channels(colour).map((n) => n + by), opacity]),
});

test('a pixel says whose it is, though its colour was rounded; an edge says nothing', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: MOST_APART - 1 }),
      fc.integer({ min: -2, max: 1 }),
      (index, by) => {
        const colour = colourOf(index);
        expect(ownersIn(pixel(colour, by), MOST_APART)[0]).toBe(index);
        expect(ownersIn(pixel(colour, 0, 90), MOST_APART)[0]).toBe(-1);
      },
    ),
  );
  expect(ownersIn(pixel(colourOf(null), 0), MOST_APART)[0]).toBe(-1);
});

test('what is multiplied is opaque and by itself when it is told apart; text is set before', () => {
  const [group] = inOwnColour(square, 7);
  expect(group).not.toHaveProperty('opacity');
  expect(group).not.toHaveProperty('blend');
  const text = { is: 'text' } as unknown as Drawing[number];
  expect(() => inOwnColour([text], 1)).toThrow(RangeError);
});

test('a mark is found where most of its pixels show it; one that cannot be seen counts as found', () => {
  const row = (levels: readonly number[]) => ({
    width: levels.length,
    height: 1,
    data: Uint8ClampedArray.from(levels.flatMap((n) => [n, n, n, 255])),
  });
  const bare = row([255, 255, 255, 255, 255, 200]);
  const wanted = row([40, 40, 40, 40, 40, 203]);
  const owners = Int32Array.from([0, 0, 0, 0, 0, 1]);
  const found = (levels: readonly number[]) =>
    marksFound(owners, 2, { bare, wanted, found: row(levels) });
  expect(found([40, 50, 35, 40, 255, 255])).toEqual([true, true]);
  expect(found([40, 255, 255, 255, 255, 255])).toEqual([false, true]);
});
