import fc from 'fast-check';
import { done, pageRefsFor } from '../../testing/marks.ts';
import { SETTLING, YELLOW } from '../../testing/settling.ts';
import { emptyDocument, marksOn } from '../document/index.ts';
import { boxHeight, boxOfPoints, boxWidth, plainPage, type Vec } from '../geometry/index.ts';
import {
  areaBetween,
  areaEnds,
  asWords,
  fromMarkRecord,
  kindFor,
  toMarkRecord,
} from '../kinds/index.ts';
import { type WordManner } from '../marks/index.ts';
import { markArea, resizeArea } from './markArea.ts';
import { markWords } from './markWords.ts';
import { restyleMarks } from './restyle.ts';
import { startRubbing } from './rubbing.ts';
import { rangeOfWords } from './stretchWords.ts';

const PAGE = plainPage(400, 800);
const start = emptyDocument(pageRefsFor([PAGE]));
const at = (x: number, y: number): Vec => ({ x, y });
const boxOf = (from: Vec, to: Vec, manner: WordManner = 'highlight', page = PAGE) =>
  boxOfPoints(areaBetween(page, from, to, manner).quad);
const marked = (from: Vec, to: Vec) =>
  done(
    start,
    markArea(start, {
      id: 'area',
      page: 'p0',
      marker: YELLOW,
      area: areaBetween(PAGE, from, to, 'highlight'),
      madeAt: 5,
    }),
  );

test('an area is the rectangle between two places, or a line’s height where they are level', () => {
  expect(boxOf(at(100, 700), at(300, 650))).toEqual({ minX: 100, minY: 650, maxX: 300, maxY: 700 });
  const level = boxOf(at(100, 700), at(300, 702));
  expect(boxHeight(level)).toBe(14);
  expect(level.minY).toBe(694);
});

test('lines run level from the first place, whichever way the page is turned', () => {
  const page = { ...PAGE, rotate: 90 as const };
  const { quad } = areaBetween(page, at(100, 100), at(120, 300), 'underline');
  const [headStart, headEnd, footStart] = quad;
  // Seen turned by 90° what runs along is the page's height.
  expect(Math.abs(headEnd.y - headStart.y)).toBeCloseTo(200);
  expect(headEnd.x).toBeCloseTo(headStart.x);
  const under = footStart.x + 0.1 * (headStart.x - footStart.x);
  expect(under).toBeCloseTo(100);
});

test('an area lies within the page, and has a width and a height', () => {
  const place = fc.record({
    x: fc.double({ min: -100, max: 500, noNaN: true }),
    y: fc.double({ min: -100, max: 900, noNaN: true }),
  });
  const manner = fc.constantFrom<WordManner>('highlight', 'underline', 'squiggle', 'strike');
  const rotate = fc.constantFrom<0 | 90 | 180 | 270>(0, 90, 180, 270);
  fc.assert(
    fc.property(place, place, manner, rotate, (from, to, how, turn) => {
      const area = boxOf(from, to, how, { ...PAGE, rotate: turn });
      expect(Math.min(boxWidth(area), boxHeight(area))).toBeGreaterThan(3.9);
      expect(area.minX).toBeGreaterThan(-14);
      expect(area.maxX).toBeLessThan(414);
      expect(area.minY).toBeGreaterThan(-14);
      expect(area.maxY).toBeLessThan(814);
    }),
  );
});

test('a marked area is stored, restyled, rubbed out whole, and says no words', () => {
  const state = marked(at(100, 700), at(300, 650));
  const [mark] = marksOn(state, 'p0').values();
  expect(kindFor(mark).words(mark)).toMatchObject({ name: 'Highlighted area', text: '' });
  expect(fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(mark))))).toEqual(mark);
  const lined = done(state, restyleMarks(state, ['area'], { manner: 'underline' }));
  expect(asWords([...marksOn(lined, 'p0').values()][0])?.manner).toBe('underline');
  const rubbing = startRubbing(state, 'p0', 4, { takes: 'part', only: 'everything', colour: '' });
  rubbing.along([at(200, 500), at(200, 680)]);
  const rubbed = done(state, rubbing.done());
  expect(marksOn(rubbed, 'p0').size).toBe(0);
});

test('words marked beside an area stay by themselves, and nothing is found where it lies', () => {
  const state = marked(at(0, 800), at(400, 0));
  const [area] = marksOn(state, 'p0').values();
  const words = asWords(area);
  expect(words && rangeOfWords(SETTLING, words)).toBeNull();
  const range = { from: 0, to: 9 };
  const marking = { id: 'w', page: 'p0', marker: YELLOW, print: SETTLING, range, madeAt: 5 };
  expect(marksOn(done(state, markWords(state, marking)), 'p0').size).toBe(2);
});

test('an area is found again between its ends, and one of them dragged makes it larger', () => {
  const place = fc.record({
    x: fc.double({ min: 20, max: 380, noNaN: true }),
    y: fc.double({ min: 20, max: 780, noNaN: true }),
  });
  const manner = fc.constantFrom<WordManner>('highlight', 'underline', 'squiggle', 'strike');
  const rotate = fc.constantFrom<0 | 90 | 180 | 270>(0, 90, 180, 270);
  fc.assert(
    fc.property(place, place, manner, rotate, (from, to, how, turn) => {
      const page = { ...PAGE, rotate: turn };
      const area = areaBetween(page, from, to, how);
      const again = areaBetween(page, ...areaEnds(area, how), how);
      again.quad.forEach((corner, k) => {
        expect(corner.x).toBeCloseTo(area.quad[k].x, 6);
        expect(corner.y).toBeCloseTo(area.quad[k].y, 6);
      });
    }),
  );
  const state = marked(at(100, 700), at(300, 650));
  const mark = asWords([...marksOn(state, 'p0').values()][0]);
  if (!mark) throw new Error('Nothing is marked.');
  expect(resizeArea(mark, mark.strips[0])).toBeNull();
  const larger = areaBetween(
    PAGE,
    at(350, 600),
    areaEnds(mark.strips[0], 'highlight')[0],
    'highlight',
  );
  const [next] = marksOn(done(state, resizeArea(mark, larger)), 'p0').values();
  expect(boxOfPoints(asWords(next)?.strips[0].quad ?? [])).toEqual({
    minX: 100,
    minY: 600,
    maxX: 350,
    maxY: 700,
  });
});
