import { alongCorners, ellipsePath, wavePath, writeAlong } from '../../testing/hand.ts';
import { done, HIGHLIGHTER, pageRefsFor, PEN, written } from '../../testing/marks.ts';
import {
  countMarks,
  findMark,
  invertTransaction,
  type Transaction,
  markChange,
} from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import { writtenSamples } from '../kinds/index.ts';
import { FIRST_ROLL } from '../marks/index.ts';
import { drawInk } from './draw.ts';
import { changeFigure, drawFigure } from './figures.ts';
import { marksTouched, removeMarks } from './erase.ts';
import { backToInk, tidyMarks } from './tidy.ts';

const pages = pageRefsFor([plainPage(600, 800), plainPage(600, 800)]);
const state = written(pages, [
  { page: 0, path: wavePath({ x: 100, y: 400 }, 200, 10, 3), id: 'wave' },
  { page: 0, path: ellipsePath({ x: 400, y: 600 }, 40, 40), id: 'loop' },
  {
    page: 1,
    path: alongCorners([
      { x: 100, y: 300 },
      { x: 300, y: 300 },
    ]),
    instrument: HIGHLIGHTER,
    id: 'light',
  },
]);
const circle = { kind: 'circle', centre: { x: 400, y: 600 }, radius: 40 } as const;

test('a stroke is kept as written: samples on the grid, time from nought, the instrument’s manners', () => {
  const samples = writeAlong(wavePath({ x: 50, y: 50 }, 90, 6, 2)).map((s) => ({
    ...s,
    t: s.t + 9_999,
  }));
  const transaction = drawInk(state, {
    id: 'new',
    page: 'p0',
    instrument: { ...PEN, steadiness: 63 },
    samples,
    madeAt: 5,
  });
  const mark = findMark(done(state, transaction), 'new');
  expect(mark).toMatchObject({ kind: 'ink', tool: 'pen', page: 'p0', order: 3, madeAt: 5 });
  if (mark?.kind !== 'ink') throw new Error('A stroke is ink.');
  expect(writtenSamples(mark.ink)).toHaveLength(samples.length);
  expect(writtenSamples(mark.ink)[0].t).toBe(0);
  expect(mark.ink.steadiness).toBe(63);
  expect(transaction.label).toBe('Write');
});

test('a highlighter highlights; the eraser and an empty stroke do not write', () => {
  const samples = [{ x: 1, y: 1, t: 0, pressure: 0.5 }];
  expect(
    drawInk(state, { id: 'h', page: 'p0', instrument: HIGHLIGHTER, samples, madeAt: 0 }).label,
  ).toBe('Highlight');
  const eraser = FIRST_ROLL[5] as never;
  expect(() =>
    drawInk(state, { id: 'e', page: 'p0', instrument: eraser, samples, madeAt: 0 }),
  ).toThrow(RangeError);
  expect(() =>
    drawInk(state, { id: 'e', page: 'p0', instrument: PEN, samples: [], madeAt: 0 }),
  ).toThrow(RangeError);
});

test('rubbing finds the marks of its page that it touches, and no other page’s', () => {
  const sweep = [
    { x: 90, y: 300 },
    { x: 310, y: 500 },
  ];
  expect(marksTouched(state, 'p0', sweep, 5)).toEqual(['wave']);
  expect(marksTouched(state, 'p1', sweep, 5)).toEqual(['light']);
  expect(marksTouched(state, 'p0', [{ x: 10, y: 10 }], 5)).toEqual([]);
});

test('rubbing out is one step, however many marks, and comes back whole', () => {
  const transaction = removeMarks(state, ['wave', 'loop', 'wave', 'gone']);
  expect(transaction?.label).toBe('Rub out 2 marks');
  const rubbed = done(state, transaction);
  expect(countMarks(rubbed)).toBe(1);
  const back = done(rubbed, invertTransaction(transaction as Transaction));
  expect(findMark(back, 'wave')).toEqual(findMark(state, 'wave'));
  expect(removeMarks(state, ['gone'])).toBeNull();
});

test('tidied ink keeps its ink, and gets it back exactly', () => {
  const tidied = done(state, tidyMarks(state, ['loop'], circle));
  expect(findMark(tidied, 'loop')).toMatchObject({ kind: 'figure', figure: circle, order: 2 });
  expect(findMark(done(tidied, backToInk(tidied, 'loop')), 'loop')).toEqual(
    findMark(state, 'loop'),
  );
});

test('a figure is drawn outright and changed: its shape, its look, each undone alone', () => {
  const style = { colour: '#0f7566', width: 2, opacity: 1 };
  const drawn = done(
    state,
    drawFigure(state, { id: 'f', page: state.pages[0].id, figure: circle, style, madeAt: 7 }),
  );
  expect(findMark(drawn, 'f')).toMatchObject({ kind: 'figure', order: 3, from: [], fill: null });
  const fill = { colour: '#c22f17', opacity: 0.35 };
  const change = changeFigure(drawn, 'f', { style: { width: 5 }, dash: 'dashed', fill });
  const changed = done(drawn, change);
  expect(findMark(changed, 'f')).toMatchObject({
    style: { ...style, width: 5 },
    dash: 'dashed',
    fill,
    figure: circle,
  });
  expect(done(changed, invertTransaction(change as Transaction))).toEqual(drawn);
  expect(changeFigure(state, 'loop', { dash: 'dotted' })).toBeNull();
});

test('what is not there, or is none of that kind, cannot be tidied or taken back', () => {
  expect(tidyMarks(state, ['gone'], circle)).toBeNull();
  expect(backToInk(state, 'loop')).toBeNull();
  const tidied = done(state, tidyMarks(state, ['loop'], circle));
  const drawn = findMark(tidied, 'loop');
  if (drawn?.kind !== 'figure') throw new Error('The loop is a figure now.');
  const without = done(tidied, {
    label: 'x',
    changes: [markChange(drawn, { ...drawn, from: [] })],
  });
  expect(backToInk(without, 'loop')).toBeNull();
  expect(tidyMarks(without, ['loop'], circle)).toBeNull();
});
