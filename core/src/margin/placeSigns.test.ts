import { placeSigns, type WantedSign } from './placeSigns.ts';

const PAGE = { width: 400, height: 600 };
const ROOM = { height: 10, gap: 2, edge: 5 };
const inMargin = (x: number, y: number): WantedSign => ({ at: { x, y }, inMargin: true });

test('a sign stands in the margin nearer to its place, or at the place', () => {
  const signs = [inMargin(80, 100), inMargin(300, 100), { at: { x: 80, y: 100 }, inMargin: false }];
  expect(placeSigns(signs, PAGE, ROOM)).toEqual([
    { at: { x: 5, y: 100 }, side: 'left' },
    { at: { x: 395, y: 100 }, side: 'right' },
    { at: { x: 80, y: 100 }, side: null },
  ]);
});

test('those of one margin make room for each other, and none leaves the page', () => {
  const placed = placeSigns([inMargin(80, 599), inMargin(90, 1), inMargin(80, 599)], PAGE, ROOM);
  const heights = placed.map(({ at }) => at.y);
  expect(heights[1]).toBe(10);
  expect(Math.max(...heights)).toBe(590);
  expect(Math.abs(heights[0] - heights[2])).toBe(12);
});
