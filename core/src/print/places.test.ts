import { column, rawPrint } from '../../testing/print.ts';
import {
  columnAt,
  firstWordSeen,
  placeNear,
  sentenceAround,
  wordAround,
  wordsBetween,
} from './places.ts';
import { EMPTY_PRINT } from './print.ts';
import { quadsOf } from './quads.ts';
import { textOf } from './quote.ts';
import { readPrint } from './readPrint.ts';

const print = readPrint(
  rawPrint([
    ...column(['Some settle. Others', 'walk on for hours, un-', 'til they choose. Then'], 50, 700),
    { text: 'they stay', x: 320, y: 700 },
  ]),
);
const said = (range: { from: number; to: number } | null): string =>
  range ? textOf(print, range) : '';
const at = (x: number, y: number): number => placeNear(print, { x, y }) ?? -1;

test('a place is the one between two characters that is nearest on its line', () => {
  expect(at(50, 703)).toBe(0);
  expect(at(72, 703)).toBe(4);
  expect(at(10, 703)).toBe(0);
  expect(at(200, 691)).toBe(print.text.indexOf('\ntil'));
  expect(placeNear(print, { x: 300, y: 300 }, 20)).toBeNull();
});

test('the word around a place, and all words between two', () => {
  expect(said(wordAround(print, 7))).toBe('settle.');
  expect(said(wordsBetween(print, at(62, 703), at(82, 691)))).toBe('Some settle. Others walk on');
  expect(said(wordsBetween(print, at(82, 691), at(62, 703)))).toBe('Some settle. Others walk on');
});

test('a sentence goes over lines and columns', () => {
  expect(said(sentenceAround(print, at(60, 691)))).toBe(
    'Others walk on for hours, until they choose.',
  );
  expect(said(sentenceAround(print, print.text.length - 2))).toBe('Then they stay');
});

test('quadrilaterals cover a range line by line, as high as the line', () => {
  const quads = quadsOf(print, wordsBetween(print, at(120, 703), at(60, 691)));
  expect(quads).toHaveLength(2);
  const [[topLeft, topRight, bottomLeft]] = quads;
  expect(topLeft.x).toBeCloseTo(50 + 13 * 5, 3);
  expect(topRight.x).toBeCloseTo(50 + 19 * 5, 3);
  expect(topLeft.y).toBeCloseTo(708, 3);
  expect(bottomLeft.y).toBeCloseTo(698, 3);
});

test('of a line that goes up the page, head and foot are to its sides', () => {
  const up = readPrint(rawPrint([{ text: 'tide log', x: 100, y: 200, angle: Math.PI / 2 }]));
  const [[headStart, headEnd, footStart]] = quadsOf(up, { from: 0, to: 4 });
  expect([headStart.x, headStart.y]).toEqual([expect.closeTo(92, 3), expect.closeTo(200, 3)]);
  expect([headEnd.x, headEnd.y]).toEqual([expect.closeTo(92, 3), expect.closeTo(220, 3)]);
  expect(footStart.x).toBeCloseTo(102, 3);
});

test('the column at a point is as wide as its widest line, and no wider', () => {
  const left = columnAt(print, { x: 80, y: 690 });
  expect(left).toMatchObject({ minX: 50 });
  expect(left?.maxX).toBeLessThan(320);
  expect(left?.minY).toBeLessThan(680);
  expect(columnAt(print, { x: 500, y: 700 })?.minX).toBe(320);
});

test('the first word that is seen, and the first of all where none is', () => {
  const wordAt = (isSeen: (p: { x: number; y: number }) => boolean): string => {
    const word = firstWordSeen(print, isSeen);
    return word ? print.text.slice(word.from, word.to) : '';
  };
  expect(wordAt(({ y }) => y < 695)).toBe('walk');
  expect(wordAt(() => false)).toBe('Some');
  expect(firstWordSeen(EMPTY_PRINT, () => true)).toBeNull();
});
