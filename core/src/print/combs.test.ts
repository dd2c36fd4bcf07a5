import fc from 'fast-check';
import { type Box, type PageBox, plainPage } from '../geometry/index.ts';
import { answerLines } from './answerLines.ts';
import { combs } from './combs.ts';
import { NO_SHAPES, squaresOf } from './drawnShapes.ts';
import { EMPTY_PRINT } from './print.ts';
import { seenLines } from './seenLines.ts';

const PAGE = plainPage(400, 600);
type Line = readonly [x: number, y: number, x2: number, y2: number];

/** Lines by x and height from the head of the page: the short ones are edges, the others rules, as they are read. */
const drawn = (lines: readonly Line[], squares: readonly Line[] = []) => {
  const flat = (some: readonly Line[]): Float32Array =>
    Float32Array.from(some.flatMap(([x, y, x2, y2]) => [x, 600 - y, x2, 600 - y2]));
  const isLong = ([x, y, x2, y2]: Line): boolean => Math.hypot(x2 - x, y2 - y) >= 24;
  return {
    ...NO_SHAPES,
    rules: flat(lines.filter(isLong)),
    edges: flat(lines.filter((line) => !isLong(line))),
    squares: Float32Array.from(squares.flatMap(([x, y, x2, y2]) => [x, 600 - y2, x2, 600 - y])),
  };
};
const frame = (x: number, y: number, wide: number, high: number): Line[] => [
  [x, y, x + wide, y],
  [x + wide, y, x + wide, y + high],
  [x + wide, y + high, x, y + high],
  [x, y + high, x, y],
];
const uprights = (x: number, y: number, step: number, count: number, high: number): Line[] =>
  Array.from({ length: count }, (_, k) => [x + k * step, y - high, x + k * step, y] as const);
const word = (x: number, y: number) => ({ minX: x, maxX: x + 20, minY: y - 10, maxY: y });
const combsOf = (
  shapes: ReturnType<typeof drawn>,
  words: readonly Box[] = [],
  page: PageBox = PAGE,
) => combs(seenLines(shapes, page), words, squaresOf(shapes, page));
const found = (lines: readonly Line[], ...words: Box[]) => combsOf(drawn(lines), words);

test('cells are found as frames side by side, as one frame that is parted, and as strokes on a line', () => {
  const cells = Array.from({ length: 5 }, (_, k) => frame(40 + 16 * k, 100, 16, 20)).flat();
  const parted = [...frame(40, 200, 80, 20), ...uprights(56, 220, 16, 4, 20)];
  const strokes: Line[] = [[40, 300, 120, 300], ...uprights(40, 300, 16, 6, 5)];
  for (const [lines, y, room] of [
    [cells, 120, 20],
    [parted, 220, 20],
    [strokes, 300, 18],
  ] as const) {
    const [comb, ...others] = found(lines);
    expect(others).toEqual([]);
    expect(comb.from).toBeCloseTo(40, 3);
    expect(comb.to).toBeCloseTo(120, 3);
    expect(comb.cell).toBeCloseTo(16, 3);
    expect([comb.y, comb.room]).toEqual([y, room]);
  }
});

test('rows with a gap between them are combs of their own, and two squares are one', () => {
  const squares: Line[] = [0, 16, 50, 66, 100, 116, 132, 148].map((x) => [
    40 + x,
    100,
    56 + x,
    120,
  ]);
  const lines = squares.flatMap(([x, y, x2, y2]) => frame(x, y, x2 - x, y2 - y));
  const cells = combsOf(drawn(lines, squares));
  expect(cells.map(({ from, to }) => [Math.round(from), Math.round(to)])).toEqual([
    [40, 72],
    [90, 122],
    [140, 204],
  ]);
});

test('tables, squared paper, axes, what is filled in and bars without a foot are none', () => {
  const table = [...frame(40, 100, 300, 20), ...uprights(140, 120, 100, 2, 20)];
  const squared = [0, 1, 2, 3].flatMap((row) =>
    [0, 1, 2, 3, 4].flatMap((k) => frame(40 + 14 * k, 200 + 14 * row, 14, 14)),
  );
  const axis: Line[] = [[40, 400, 120, 400], [40, 300, 40, 400], ...uprights(50, 400, 10, 7, 2)];
  const bars = uprights(40, 500, 12, 6, 20);
  for (const lines of [table, squared, axis, bars]) expect(found(lines)).toEqual([]);
  const cells = Array.from({ length: 5 }, (_, k) => frame(40 + 16 * k, 100, 16, 20)).flat();
  expect(found(cells, word(60, 116))).toEqual([]);
  expect(found(cells, word(60, 90))).toHaveLength(1);
});

test('a comb is one line for an answer: its head and foot are none', () => {
  const parted = [...frame(40, 200, 80, 20), ...uprights(56, 220, 16, 4, 20)];
  const lines = answerLines(drawn(parted), EMPTY_PRINT, PAGE);
  expect(lines).toHaveLength(1);
  expect(lines[0].cell).toBeCloseTo(16, 3);
});

test('on turned pages they are found as on upright ones, whatever cells they have', () => {
  fc.assert(
    fc.property(
      fc.record({
        x: fc.double({ min: 20, max: 60, noNaN: true }),
        y: fc.double({ min: 60, max: 500, noNaN: true }),
        cell: fc.double({ min: 8, max: 24, noNaN: true }),
        high: fc.double({ min: 10, max: 34, noNaN: true }),
        count: fc.integer({ min: 3, max: 10 }),
        turn: fc.constantFrom<0 | 90 | 180 | 270>(0, 90, 180, 270),
      }),
      ({ x, y, cell, high, count, turn }) => {
        const lines = [
          ...frame(x, y, count * cell, high),
          ...uprights(x + cell, y + high, cell, count - 1, high),
        ];
        const upright = drawn(lines);
        // What is seen upright is drawn so on a page that is turned back.
        const back = ([px, py]: readonly [number, number]): readonly [number, number] =>
          turn === 0
            ? [px, py]
            : turn === 90
              ? [600 - py, px]
              : turn === 180
                ? [400 - px, 600 - py]
                : [py, 400 - px];
        const turned = (ends: Float32Array): Float32Array =>
          Float32Array.from(
            Array.from({ length: ends.length / 2 }, (_, k) =>
              back([ends[2 * k], ends[2 * k + 1]]),
            ).flat(),
          );
        const shapes = {
          ...upright,
          rules: turned(upright.rules),
          edges: turned(upright.edges),
        };
        const page = turn % 180 === 0 ? plainPage(400, 600) : plainPage(600, 400);
        const all = combsOf(shapes, [], { ...page, rotate: turn });
        expect(all).toHaveLength(1);
        expect(all[0].from).toBeCloseTo(x, 2);
        expect(all[0].y).toBeCloseTo(y + high, 2);
        expect(all[0].cell).toBeCloseTo(cell, 2);
      },
    ),
  );
});
