import fc from 'fast-check';
import type { Drawing, Fill } from '../drawing/index.ts';
import { box, boxesMeet, boxPath, IDENTITY } from '../geometry/index.ts';
import { meetingItems } from './meetingItems.ts';

const square = (x: number, y: number, side: number, colour = '#000000'): Fill => ({
  is: 'fill',
  path: boxPath(box(x, y, x + side, y + side)),
  paint: { colour, opacity: 1 },
});

test('what touches stays together in its order, what lies apart comes alone', () => {
  const [a, b, c] = [square(0, 0, 10), square(100, 0, 10), square(8, 8, 10)];
  const parts = meetingItems([a, b, c], IDENTITY);
  expect(parts.map(({ items }) => items)).toEqual([[b], [a, c]]);
  // A pixel around each for smoothed edges.
  expect(parts[1].box).toEqual(box(-1, -1, 19, 19));
});

test('what joins two parts makes them one', () => {
  const items = [square(0, 0, 10), square(30, 0, 10), square(8, 0, 24)];
  expect(meetingItems(items, IDENTITY).map((part) => part.items)).toEqual([items]);
});

test('a group comes in as many parts as it has, each with its opacity, blend and clip', () => {
  const [a, b] = [square(0, 0, 10), square(50, 0, 10)];
  const look = { opacity: 0.5, blend: 'multiply', clip: boxPath(box(0, 0, 55, 10)) } as const;
  const parts = meetingItems([{ is: 'group', items: [a, b], ...look }], IDENTITY);
  expect(parts.map(({ items }) => items)).toEqual([
    [{ is: 'group', items: [a], ...look }],
    [{ is: 'group', items: [b], ...look }],
  ]);
});

test('nothing is lost, nothing doubled, and no two parts meet', () => {
  const squares = fc.array(
    fc.tuple(
      fc.integer({ min: 0, max: 300 }),
      fc.integer({ min: 0, max: 300 }),
      fc.integer({ min: 1, max: 40 }),
    ),
    { maxLength: 40 },
  );
  fc.assert(
    fc.property(squares, fc.integer({ min: 0, max: 20 }), (places, near) => {
      const drawing: Drawing = places.map(([x, y, side]) => square(x, y, side));
      const parts = meetingItems(drawing, IDENTITY, near);
      expect(new Set(parts.flatMap(({ items }) => items))).toEqual(new Set(drawing));
      expect(parts.flatMap(({ items }) => items)).toHaveLength(drawing.length);
      for (const { items } of parts) {
        const order = items.map((item) => drawing.indexOf(item));
        expect(order).toEqual([...order].sort((p, q) => p - q));
      }
      parts.forEach((p, k) => {
        for (const q of parts.slice(k + 1)) expect(boxesMeet(p.box, q.box)).toBe(false);
      });
    }),
  );
});
