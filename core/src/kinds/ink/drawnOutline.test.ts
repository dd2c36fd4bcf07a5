import fc from 'fast-check';
import { boxPath, pathBounds } from '../../geometry/index.ts';
import { fromMarkRecord, kindFor, toMarkRecord } from '../index.ts';
import { pathText, readPathText } from './drawnOutline.ts';
import { inkOfSketch } from './ofSketch.ts';

const line = [
  { x: 10, y: 20 },
  { x: 60, y: 20 },
  { x: 110, y: 20 },
];
const base = {
  id: 'i',
  page: 'p',
  order: 1,
  madeAt: 1,
  style: { colour: '#c22f17', width: 1, opacity: 1 },
};
/** Four points high around a line, drawn by another program as a plain box. */
const [drawn] = inkOfSketch(
  {
    subtype: 'Ink',
    lines: [line],
    width: 1,
    outline: boxPath({ minX: 8, minY: 18, maxX: 112, maxY: 22 }),
  },
  base,
);
const { carry, restyle, outline } = kindFor(drawn);
const boundsOf = (mark: typeof drawn) => pathBounds(outline?.(mark) ?? boxPath(NOTHING));
const NOTHING = { minX: 0, minY: 0, maxX: 0, maxY: 0 };

test('what another program has filled is what is seen, moved and grown too', () => {
  expect(boundsOf(drawn)).toEqual({ minX: 8, minY: 18, maxX: 112, maxY: 22 });
  const grown = carry(drawn, [2, 0, 0, 2, 5, 0], { widthFollows: true });
  expect(boundsOf(grown as typeof drawn)).toEqual({ minX: 21, minY: 36, maxX: 229, maxY: 44 });
});

test('made wider, or rubbed, it is a line about as wide as it was there', () => {
  expect(drawn.style.width).toBeCloseTo(4, 0);
  const rubbed = { ...drawn, left: [{ line: 0, from: 0, to: 17 }] };
  const { minX, maxX, minY, maxY } = boundsOf(rubbed);
  expect([minX, maxX]).toEqual([expect.closeTo(8, 0), expect.closeTo(62, 0)]);
  expect(maxY - minY).toBeCloseTo(4, 0);
  const wider = restyle(drawn, { style: { width: 8 } });
  expect(boundsOf(wider as typeof drawn).maxY).toBeCloseTo(24, 0);
});

test('it comes back from its record as it was', () => {
  const back = fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(drawn))));
  expect(boundsOf(back as typeof drawn)).toEqual(boundsOf(drawn));
});

test('a path comes back from its text, and what is no path is refused', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -9e5, max: 9e5 }), { minLength: 2 }), (numbers) => {
      const path = boxPath({ minX: numbers[0] / 1000, minY: 0, maxX: numbers[1] / 1000, maxY: 3 });
      expect(readPathText(pathText(path))).toEqual(path);
    }),
  );
  for (const text of ['L1 2', 'M1', 'M1 x', 'M1 2C3 4', 'M1 2Z5', '<svg>', 'M1e9 2'])
    expect(() => readPathText(text)).toThrow(RangeError);
  expect(() =>
    fromMarkRecord({
      ...toMarkRecord(drawn),
      ink: { ...(toMarkRecord(drawn).ink as object), drawn: { outline: 'M1', width: 1 } },
    }),
  ).toThrow('damaged');
});
