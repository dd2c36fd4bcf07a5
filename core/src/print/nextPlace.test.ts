import { box } from '../geometry/index.ts';
import { lineOf, nextPlace } from './nextPlace.ts';

const window = { left: 60, top: 100, width: 200, height: 90 };
const line = { from: 50, to: 500, pitch: 24 };

test.each([
  ['in the middle of the window it stays', box(70, 130, 150, 142), null],
  [
    'near its end it moves on, and keeps the last word in sight',
    box(70, 130, 230, 142),
    { left: 170, top: 100 },
  ],
  ['at the end of the line it goes to the next', box(400, 130, 480, 142), { left: 50, top: 124 }],
])('%s', (_, written, place) => {
  expect(nextPlace(window, written, line)).toEqual(place);
});

test('what stands on a printed rule goes on to its end, and to the next rule', () => {
  const rules = [
    { y: 120, from: 40, to: 480 },
    { y: 145, from: 40, to: 480 },
    { y: 171, from: 40, to: 480 },
  ];
  const found = lineOf(box(60, 133, 140, 147), 60, 595, rules, []);
  expect(found).toEqual({ from: 40, to: 480, pitch: 26 });
});

test('without rules the lines written before say how far the next is, else the writing itself', () => {
  const here = box(60, 133, 140, 143);
  expect(lineOf(here, 60, 600, [], [box(60, 113, 400, 123), here])).toEqual({
    from: 60,
    to: 552,
    pitch: 20,
  });
  expect(lineOf(here, 60, 600, [], [here]).pitch).toBeCloseTo(21);
  // Far above is another paragraph.
  expect(lineOf(here, 60, 600, [], [box(60, 13, 400, 23), here]).pitch).toBeCloseTo(21);
});
