import { alongCorners } from '../../testing/hand.ts';
import { done, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { drawFigure } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { shareWithin } from './shareWithin.ts';

const square = (x: number, size: number) => [
  { x, y: 0 },
  { x: x + size, y: 0 },
  { x: x + size, y: 400 },
  { x, y: 400 },
];

test('the share of a line within a polygon, however long its pieces are', () => {
  const pages = pageRefsFor([plainPage(600, 800)]);
  const ends = [
    { x: 100, y: 200 },
    { x: 300, y: 200 },
  ];
  let state = written(pages, [{ page: 0, path: alongCorners(ends), id: 'ink' }]);
  state = done(
    state,
    drawFigure(state, {
      id: 'line',
      page: 'p0',
      figure: { kind: 'line', from: ends[0], to: ends[1] },
      style: { colour: '#0f7566', width: 1.4, opacity: 1 },
      madeAt: 0,
    }),
  );
  for (const id of ['ink', 'line']) {
    const mark = markOf(state, id);
    expect(shareWithin(mark, square(90, 110))).toBeCloseTo(0.5, 1);
    expect(shareWithin(mark, square(90, 300))).toBeCloseTo(1, 6);
    expect(shareWithin(mark, square(400, 50))).toBe(0);
  }
});
