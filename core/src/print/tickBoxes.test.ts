import { plainPage } from '../geometry/index.ts';
import { NO_SHAPES } from './drawnShapes.ts';
import { EMPTY_PRINT, type Print } from './print.ts';
import { tickBoxAt, tickBoxes } from './tickBoxes.ts';

const PAGE = plainPage(400, 600);
/** Squares by their left edge, their head from that of the page, and their side. */
const drawn = (...squares: [number, number, number][]) => ({
  ...NO_SHAPES,
  squares: Float32Array.from(
    squares.flatMap(([x, y, side]) => [x, 600 - y - side, x + side, 600 - y]),
  ),
});
/** One line of text, each of its units ten points wide, its head 100 points from that of the page. */
function set(text: string): Print {
  const boxes = Float32Array.from(
    [...text].flatMap((_, k) => [20 + 10 * k, 490, 30 + 10 * k, 500]),
  );
  const words = [...text.matchAll(/\S+/g)].map(({ 0: said, index }) => ({
    from: index,
    to: index + said.length,
    line: 0,
    box: { minX: 20 + 10 * index, minY: 490, maxX: 20 + 10 * (index + said.length), maxY: 500 },
  }));
  return { ...EMPTY_PRINT, text, boxes, words };
}
const places = (boxes: readonly { minX: number; minY: number }[]) =>
  boxes.map(({ minX, minY }) => [Math.round(minX), Math.round(minY)]);

test('empty squares by themselves are there to be ticked; cells, and what holds a word, are not', () => {
  const shapes = drawn([50, 200, 9], [50, 230, 9], [200, 300, 14], [214, 300, 14], [18, 98, 20]);
  expect(places(tickBoxes(shapes, set('A b'), PAGE))).toEqual([
    [50, 200],
    [50, 230],
  ]);
});

test('a page full of squares has none', () => {
  const many = Array.from({ length: 500 }, (_, k): [number, number, number] => [
    20 * (k % 20),
    20 * Math.floor(k / 20),
    9,
  ]);
  expect(tickBoxes(drawn(...many), EMPTY_PRINT, PAGE)).toEqual([]);
});

test('squares that are set as letters, or as brackets', () => {
  expect(places(tickBoxes(drawn(), set('☐ yes □ no [ ] ( ) []'), PAGE))).toEqual([
    [20, 100],
    [80, 100],
    [140, 100],
    [180, 100],
  ]);
});

test('of the squares the one that is tapped, or nearly', () => {
  const boxes = tickBoxes(drawn([50, 200, 9]), EMPTY_PRINT, PAGE);
  expect(tickBoxAt(boxes, { x: 55, y: 204 }, 0)).not.toBeNull();
  expect(tickBoxAt(boxes, { x: 48, y: 204 }, 3)).not.toBeNull();
  expect(tickBoxAt(boxes, { x: 44, y: 204 }, 3)).toBeNull();
});
