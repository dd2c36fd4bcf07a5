import { plainPage } from '../geometry/index.ts';
import { type AnswerLine, answerLines } from './answerLines.ts';
import { NO_SHAPES } from './drawnShapes.ts';
import { answerLineAt, linesAfter } from './meantLine.ts';
import type { Print } from './print.ts';
import { EMPTY_PRINT } from './print.ts';

const PAGE = plainPage(400, 600);
/** Rules by x, height from the head of the page, and length. */
const drawn = (...rules: [number, number, number, number][]) => ({
  ...NO_SHAPES,
  rules: Float32Array.from(rules.flatMap(([x, y, x2, y2]) => [x, 600 - y, x2, 600 - y2])),
});
const level = (x: number, y: number, length: number): [number, number, number, number] => [
  x,
  y,
  x + length,
  y,
];

/** Words as they stand on a page, each on a line of its own: x, baseline from the head, width; letters are ten points high. */
function printed(
  ...words: { text: string; x: number; y: number; width: number; running?: true }[]
): Print {
  const text = words.map((word) => word.text).join('\n');
  const boxes = new Float32Array(4 * text.length);
  let at = 0;
  const all: Print['words'][number][] = [];
  const lines = words.map(({ text: said, x, y, width, running = false }, line) => {
    const [minY, maxY] = [600 - y - 2, 600 - y + 8];
    const xAt = (unit: number): number => x + (unit * width) / said.length;
    for (let k = 0; k < said.length; k++) boxes.set([xAt(k), minY, xAt(k + 1), maxY], 4 * (at + k));
    for (const { 0: word, index } of said.matchAll(/\S+/g)) {
      const place = { minX: xAt(index), minY, maxX: xAt(index + word.length), maxY };
      all.push({ from: at + index, to: at + index + word.length, line, box: place });
    }
    const own = {
      from: at,
      to: at + said.length,
      box: { minX: x, minY, maxX: x + width, maxY },
      column: 0,
      block: line,
      angle: 0,
      size: 10,
      face: 0,
      running,
      breaks: false,
    };
    at += said.length + 1;
    return own;
  });
  return { ...EMPTY_PRINT, text, boxes, words: all, lines };
}
const heights = (lines: readonly AnswerLine[]): number[] => lines.map(({ y }) => Math.round(y));

test('rules with room above them are lines for answers, in the order they are read', () => {
  const lines = answerLines(
    drawn(level(40, 200, 300), level(40, 180, 300), level(220, 100, 120), level(70, 100, 130)),
    printed(
      { text: 'Name', x: 40, y: 99, width: 26 },
      { text: 'Which zone?', x: 40, y: 150, width: 90 },
    ),
    PAGE,
  );
  expect(lines.map(({ from, y }) => [from, Math.round(y)])).toEqual([
    [70, 100],
    [220, 100],
    [40, 180],
    [40, 200],
  ]);
  expect(lines[2].room).toBeCloseTo(28, 0);
  expect(lines[3].room).toBeCloseTo(20, 0);
});

test('rules under words and through them, around frames, under running titles and too close to each other are none', () => {
  const words = printed(
    { text: 'Rock pools', x: 40, y: 20, width: 90, running: true },
    { text: 'A heading', x: 40, y: 100, width: 80 },
    { text: 'text', x: 40, y: 130, width: 80 },
  );
  expect(answerLines(drawn(level(40, 102, 85)), words, PAGE)).toEqual([]);
  expect(answerLines(drawn(level(40, 30, 320)), words, PAGE)).toEqual([]);
  // A frame about a drawing is too high for one line.
  const frame = drawn(
    level(40, 200, 100),
    level(40, 280, 100),
    [40, 200, 40, 280],
    [140, 200, 140, 280],
  );
  expect(answerLines(frame, words, PAGE)).toEqual([]);
  // Struck through.
  expect(answerLines(drawn(level(40, 126, 85)), words, PAGE)).toEqual([]);
  expect(
    heights(answerLines(drawn(level(40, 300, 200), level(40, 303, 200)), words, PAGE)),
  ).toEqual([300]);
});

test('rows of dots and underscores, and brackets with nothing in them, are lines; those of a table of contents are not', () => {
  const words = printed(
    { text: 'The tide is ........', x: 40, y: 100, width: 200 },
    { text: 'Limpets …… 12', x: 40, y: 140, width: 200 },
    { text: 'Depth ______ m', x: 40, y: 180, width: 140 },
    { text: '[      ] points', x: 40, y: 220, width: 150 },
    { text: 'Contents ...... 7', x: 40, y: 260, width: 170 },
  );
  const lines = answerLines(drawn(), words, PAGE);
  expect(heights(lines)).toEqual([102, 182, 222]);
  expect(lines[0].from).toBeCloseTo(160, 0);
  expect(lines[1]).toMatchObject({ from: 100 });
});

test('a place means the line that it is on or above; the lines below it at one distance are its answer', () => {
  const lines = answerLines(
    drawn(level(90, 100, 270), level(40, 122, 320), level(40, 144, 320), level(40, 220, 320)),
    printed(
      { text: 'Why?', x: 40, y: 98, width: 40 },
      { text: 'Where?', x: 40, y: 180, width: 40 },
    ),
    PAGE,
  );
  expect(answerLineAt(lines, { x: 200, y: 115 }, 4)?.y).toBeCloseTo(122);
  expect(answerLineAt(lines, { x: 200, y: 103 }, 4)?.y).toBeCloseTo(100);
  expect(answerLineAt(lines, { x: 20, y: 115 }, 4)).toBeNull();
  expect(answerLineAt(lines, { x: 200, y: 400 }, 4)).toBeNull();
  expect(heights(linesAfter(lines, lines[0]))).toEqual([100, 122, 144]);
  expect(heights(linesAfter(lines, lines[3]))).toEqual([220]);
});

const columns = (x: readonly number[], top: number, foot: number) =>
  x.map((at): [number, number, number, number] => [at, top, at, foot]);

test('empty cells of a table are places, each by itself; those that are filled, and the rules around them, are none', () => {
  const table = drawn(
    ...[100, 120, 140].map((y) => level(40, y, 300)),
    ...columns([40, 140, 240, 340], 100, 140),
  );
  const words = printed(
    { text: 'Zone', x: 44, y: 116, width: 30 },
    { text: 'Limpets', x: 144, y: 116, width: 40 },
    { text: 'splash', x: 44, y: 136, width: 34 },
  );
  const lines = answerLines(table, words, PAGE);
  expect(lines.map(({ from, alone }) => [Math.round(from), alone])).toEqual([
    [243, true],
    [143, true],
    [243, true],
  ]);
  expect(linesAfter(lines, lines[1])).toHaveLength(1);
  const [, cell] = lines;
  expect(cell.y).toBeGreaterThan(132);
  expect(cell.y).toBeLessThan(138);
});

test('the lines of a ruled frame are one answer; squared paper has none', () => {
  const ruled = drawn(
    ...[100, 120, 140, 160].map((y) => level(40, y, 300)),
    ...columns([40, 340], 100, 160),
  );
  const lines = answerLines(ruled, EMPTY_PRINT, PAGE);
  expect(heights(linesAfter(lines, lines[0])).slice(-3)).toEqual([120, 140, 160]);
  const squared = drawn(
    ...[0, 1, 2, 3, 4].map((k) => level(40, 100 + 15 * k, 90)),
    ...columns([40, 55, 70, 85, 100, 115, 130], 100, 160),
  );
  expect(answerLines(squared, EMPTY_PRINT, PAGE)).toEqual([]);
});

test('rules around the heads of tables and around headings are none; labels on rules leave the rest of theirs', () => {
  const table = drawn(level(40, 100, 300), level(40, 118, 300), level(40, 160, 300));
  const words = printed(
    { text: 'Day', x: 44, y: 114, width: 20 },
    { text: 'Begun', x: 144, y: 114, width: 30 },
    { text: '1', x: 44, y: 134, width: 5 },
    { text: '2', x: 44, y: 156, width: 5 },
  );
  expect(answerLines(table, words, PAGE)).toEqual([]);
  const labels = printed(
    { text: 'Name', x: 44, y: 118, width: 26 },
    { text: 'Group', x: 44, y: 138, width: 30 },
  );
  const rules = drawn(level(40, 120, 300), level(40, 140, 300));
  expect(answerLines(rules, labels, PAGE).map(({ from }) => Math.round(from))).toEqual([73, 77]);
});

test('lines of a circuit are none, a line that another leads to is one', () => {
  const slants = Float32Array.from([140, 500, 144, 506, 144, 506, 148, 500]);
  const wires = { ...drawn(level(40, 100, 100), level(148, 100, 100)), slants };
  expect(answerLines(wires, EMPTY_PRINT, PAGE)).toEqual([]);
  const led = drawn(level(40, 100, 100), [140, 100, 200, 160]);
  expect(heights(answerLines(led, EMPTY_PRINT, PAGE))).toEqual([100]);
});
