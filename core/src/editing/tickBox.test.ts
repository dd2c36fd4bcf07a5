import { done, pageRefsFor } from '../../testing/marks.ts';
import { roughBoundsOf } from '../derived/index.ts';
import { emptyDocument, marksOn } from '../document/index.ts';
import { box, displayMatrix, growBox, plainPage, transformBox } from '../geometry/index.ts';
import { asFigure } from '../kinds/index.ts';
import { lockMarks } from './restyle.ts';
import { tickBox } from './tickBox.ts';

test.each([0, 90, 180, 270] as const)(
  'a tap ticks a square, a second makes it a cross, a third takes that away; on a page turned by %i°',
  (rotate) => {
    const pages = pageRefsFor([{ ...plainPage(400, 600), rotate }]);
    const [seen] = pages;
    let state = emptyDocument(pages);
    const square = box(100, 200, 110, 212);
    const tap = (id: string, where = square): void => {
      const made = { id, page: seen.id, box: where, seen, colour: '#1f3361', madeAt: 5 };
      state = done(state, tickBox(state, made));
    };
    const there = () =>
      [...marksOn(state, seen.id).values()].map((mark) => {
        const bounds = transformBox(displayMatrix(seen), roughBoundsOf(mark));
        const roomy = growBox(square, 4);
        expect(bounds.minX).toBeGreaterThan(roomy.minX);
        expect(bounds.maxX).toBeLessThan(roomy.maxX);
        expect(bounds.minY).toBeGreaterThan(roomy.minY);
        expect(bounds.maxY).toBeLessThan(roomy.maxY);
        return asFigure(mark)?.figure.kind;
      });
    tap('a');
    expect(there()).toEqual(['tick']);
    tap('b');
    expect(there()).toEqual(['cross']);
    tap('c');
    expect(there()).toEqual([]);
    tap('d');
    tap('e', box(100, 240, 110, 252));
    expect(marksOn(state, seen.id).size).toBe(2);
  },
);

test('the short arm of a tick lies to the left and its head to the right, as the page is seen', () => {
  const pages = pageRefsFor([{ ...plainPage(400, 600), rotate: 90 as const }]);
  const made = { id: 'a', page: 'p0', box: box(50, 50, 62, 62), seen: pages[0], madeAt: 5 };
  const state = done(
    emptyDocument(pages),
    tickBox(emptyDocument(pages), { ...made, colour: '#1f3361' }),
  );
  const figure = asFigure(marksOn(state, 'p0').get('a') ?? null)?.figure;
  if (figure?.kind !== 'tick') throw new Error('There is no tick.');
  const display = displayMatrix(pages[0]);
  const [a, b, c] = figure.corners.map((p) => transformBox(display, box(p.x, p.y, p.x, p.y)));
  expect([a.minX < b.minX, b.minX < c.minX, c.minY < a.minY, a.minY < b.minY]).toEqual([
    true,
    true,
    true,
    true,
  ]);
});

test('a locked tick is left alone', () => {
  const pages = pageRefsFor([plainPage(400, 600)]);
  const made = { page: 'p0', box: box(50, 50, 62, 62), seen: pages[0], colour: '#1f3361' };
  let state = emptyDocument(pages);
  state = done(state, tickBox(state, { ...made, id: 'a', madeAt: 1 }));
  state = done(state, lockMarks(state, ['a'], true));
  state = done(state, tickBox(state, { ...made, id: 'b', madeAt: 2 }));
  expect(asFigure(marksOn(state, 'p0').get('a') ?? null)?.figure.kind).toBe('tick');
});
