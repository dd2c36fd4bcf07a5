import { alongCorners } from '../../testing/hand.ts';
import { done, pageRefsFor, written } from '../../testing/marks.ts';
import { marksOn } from '../document/index.ts';
import { changeFigure, drawFigure, removeMarks } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { figuresOn } from './figuresOn.ts';

const circle = (x: number) => ({ kind: 'circle', centre: { x, y: 300 }, radius: 20 }) as const;

test('the figures of a page are found among its ink, also when some came, went or changed since', () => {
  const ends = [
    { x: 100, y: 200 },
    { x: 300, y: 200 },
  ];
  let state = written(pageRefsFor([plainPage(600, 800)]), [
    { page: 0, path: alongCorners(ends), id: 'ink' },
  ]);
  const has = () =>
    figuresOn(marksOn(state, 'p0'))
      .map(({ id, figure }) => `${id} ${figure.kind === 'circle' ? figure.centre.x : figure.kind}`)
      .sort();
  expect(has()).toEqual([]);
  const style = { colour: '#0f7566', width: 1.4, opacity: 1 };
  for (const [id, x] of [
    ['a', 100],
    ['b', 200],
    ['c', 300],
  ] as const)
    state = done(state, drawFigure(state, { id, page: 'p0', figure: circle(x), style, madeAt: 0 }));
  expect(has()).toEqual(['a 100', 'b 200', 'c 300']);
  state = done(state, removeMarks(state, ['b']));
  state = done(state, changeFigure(state, 'c', { figure: circle(310) }));
  expect(has()).toEqual(['a 100', 'c 310']);
});
