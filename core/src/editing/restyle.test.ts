import { wavePath } from '../../testing/hand.ts';
import { done, pageRefsFor, written } from '../../testing/marks.ts';
import { outlineOf } from '../derived/index.ts';
import { applyTransaction, findMark } from '../document/index.ts';
import { plainPage } from '../geometry/index.ts';
import type { InkMark } from '../kinds/index.ts';
import { changeFigure } from './figures.ts';
import { lockMarks, steadyInk } from './restyle.ts';
import { backToInk, tidyMarks } from './tidy.ts';

const state = written(pageRefsFor([plainPage(600, 800)]), [
  { page: 0, path: wavePath({ x: 100, y: 400 }, 200, 10, 3), id: 'a' },
  { page: 0, path: wavePath({ x: 100, y: 300 }, 200, 10, 3), id: 'b' },
]);

test('another steadiness changes what is seen and keeps the samples; one step for all of them', () => {
  const change = steadyInk(state, ['a', 'b', 'gone'], 0);
  expect(change?.changes).toHaveLength(2);
  const applied = applyTransaction(state, change ?? { label: '', changes: [] });
  if (!applied.ok) throw new Error(applied.reason);
  const [before, after] = [state, applied.state].map((s) => findMark(s, 'a') as InkMark);
  expect(after.ink.samples).toBe(before.ink.samples);
  expect(outlineOf(after).coords).not.toEqual(outlineOf(before).coords);
});

test('nothing is done where nothing would change', () => {
  expect(steadyInk(state, ['a'], 40)).toBeNull();
  expect(steadyInk(state, ['gone'], 0)).toBeNull();
});

test('locked marks are changed by nothing: not steadied, not tidied, not given back', () => {
  const locked = done(state, lockMarks(state, ['a'], true));
  expect(steadyInk(locked, ['a', 'b'], 0)?.changes.map(({ id }) => id)).toEqual(['b']);
  const line = { kind: 'line', from: { x: 0, y: 0 }, to: { x: 9, y: 9 } } as never;
  expect(tidyMarks(locked, ['a', 'b'], line)).toBeNull();
  const tidied = done(state, tidyMarks(state, ['b'], line));
  const lockedFigure = done(tidied, lockMarks(tidied, ['b'], true));
  expect(backToInk(tidied, 'b')).not.toBeNull();
  expect(backToInk(lockedFigure, 'b')).toBeNull();
  expect(changeFigure(lockedFigure, 'b', { dash: 'dots' as never })).toBeNull();
});
