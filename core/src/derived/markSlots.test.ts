import { wavePath } from '../../testing/hand.ts';
import { done, pageRefsFor, written } from '../../testing/marks.ts';
import { marksOn } from '../document/index.ts';
import { removeMarks } from '../editing/index.ts';
import { plainPage } from '../geometry/index.ts';
import { markSlots, SLOTS } from './markSlots.ts';

test('marks stand where they lie along the height of the page as it is seen, and go when they go', () => {
  for (const [rotate, share] of [
    [0, 0.75],
    [180, 0.25],
  ] as const) {
    const pages = pageRefsFor([{ ...plainPage(600, 800), rotate }]);
    const low = { page: 0, path: wavePath({ x: 100, y: 200 }, 60, 4, 2), id: 'low' };
    const also = { page: 0, path: wavePath({ x: 300, y: 200 }, 60, 4, 2), id: 'also' };
    const state = written(pages, [low, also]);
    const slots = markSlots(pages[0], marksOn(state, 'p0'));
    for (const slot of slots) expect(Math.abs(slot / SLOTS - share)).toBeLessThan(0.01);
    const one = done(state, removeMarks(state, ['low']));
    expect(markSlots(pages[0], marksOn(one, 'p0'))).toHaveLength(1);
    const none = done(one, removeMarks(one, ['also']));
    expect(markSlots(pages[0], marksOn(none, 'p0'))).toEqual([]);
  }
});
