import { column, rawPrint } from '../../testing/print.ts';
import { alongCorners, ellipsePath } from '../../testing/hand.ts';
import { findInPrint } from './find.ts';
import { EMPTY_PRINT } from './print.ts';
import { quadsOf } from './quads.ts';
import { textOf } from './quote.ts';
import { readPrint } from './readPrint.ts';
import { wordsMeant } from './wordsMeant.ts';

const print = readPrint(
  rawPrint([
    ...column(['Some barnacles settle. Others', 'walk on for hours until they', 'choose'], 50, 700),
    ...column(['in the right column', 'of this page'], 320, 700),
  ]),
);
/** The box of words, grown. */
function boxOf(term: string, by = 0) {
  const corners = quadsOf(print, findInPrint(print, term)[0]).flat();
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  return {
    x0: Math.min(...xs) - by,
    x1: Math.max(...xs) + by,
    y0: Math.min(...ys) - by,
    y1: Math.max(...ys) + by,
  };
}
function meant(path: readonly { x: number; y: number }[]): string | null {
  const found = wordsMeant(print, path);
  return found && `${found.way}: ${found.ranges.map((range) => textOf(print, range)).join(' | ')}`;
}

test('a line beneath words underlines them, one through them strikes them out', () => {
  const { x0, x1, y0, y1 } = boxOf('barnacles settle.');
  const level = (y: number) =>
    alongCorners([
      { x: x0, y },
      { x: x1, y: y + 0.4 },
    ]);
  expect(meant(level(y0 - 0.5))).toBe('underlined: barnacles settle.');
  expect(meant(level((y0 + y1) / 2))).toBe('struck: barnacles settle.');
  // Half of a word is not meant.
  const short = boxOf('Others');
  const half = alongCorners([
    { x: x0, y: y0 },
    { x: short.x0 + 6, y: y0 },
  ]);
  expect(meant(half)).toBe('underlined: barnacles settle.');
});

test('what is gone round is meant, in a ring or a box, over lines too', () => {
  const { x0, x1, y0, y1 } = boxOf('for hours', 3);
  const centre = { x: (x0 + x1) / 2, y: (y0 + y1) / 2 };
  expect(meant(ellipsePath(centre, (x1 - x0) / 1.7, (y1 - y0) / 1.9))).toBe('encircled: for hours');
  const two = boxOf('until they choose', 1);
  const box = alongCorners([
    { x: 49, y: two.y0 },
    { x: two.x1, y: two.y0 },
    { x: two.x1, y: two.y1 },
    { x: 49, y: two.y1 },
    { x: 49, y: two.y0 },
  ]);
  expect(meant(box)).toBe('encircled: walk on for hours until they choose');
});

test('a line in the margin means the lines beside it, of the column it is nearer to', () => {
  const from = (x: number, y0: number, y1: number) =>
    alongCorners([
      { x, y: y0 },
      { x, y: y1 },
    ]);
  expect(meant(from(42, 707, 686))).toBe(
    'bracketed: Some barnacles settle. Others walk on for hours until they',
  );
  expect(meant(from(314, 707, 686))).toBe('bracketed: in the right column of this page');
});

test('ink elsewhere means nothing', () => {
  expect(meant(ellipsePath({ x: 150, y: 400 }, 40, 20))).toBeNull();
  expect(
    meant(
      alongCorners([
        { x: 50, y: 600 },
        { x: 200, y: 600 },
      ]),
    ),
  ).toBeNull();
  expect(meant([{ x: 60, y: 703 }])).toBeNull();
  expect(wordsMeant(EMPTY_PRINT, ellipsePath({ x: 0, y: 0 }, 5, 5))).toBeNull();
});
