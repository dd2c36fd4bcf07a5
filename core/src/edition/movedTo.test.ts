import fc from 'fast-check';
import { done, lineOn, markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { boundsOf } from '../derived/index.ts';
import { boxCentre, displayMatrix, plainPage, transform } from '../geometry/index.ts';
import type { Mark } from '../kinds/index.ts';
import { changeEdition } from './changeEdition.ts';
import { movedTo } from './movedTo.ts';
import type { PlacedMark } from './placed.ts';
import { waitingMarks } from './waiting.ts';

const [WAS, IS] = ['a'.repeat(64), 'b'.repeat(64)];
const PAGE = plainPage(300, 400);
const document = written(pageRefsFor([PAGE]), [lineOn(0, 'first'), lineOn(0, 'second')]);
const marks = [markOf(document, 'first'), markOf(document, 'second')];
const lost = marks.map(({ id }): PlacedMark => ({
  ...{ mark: id, unit: 0, from: 0, verdict: 'lost', confidence: 0, reason: 'noPage' },
  ...{ page: null, after: null, map: null },
}));
const seenBy = (mark: Mark, rotate: 0 | 90 | 180 | 270) => {
  const { minX, minY, maxX, maxY } = boundsOf(mark);
  const to = displayMatrix({ ...PAGE, rotate });
  const [a, b] = [transform(to, { x: minX, y: minY }), transform(to, { x: maxX, y: maxY })];
  return { width: Math.abs(a.x - b.x), height: Math.abs(a.y - b.y) };
};

test('marks lie with their middle at the place, as large and as upright as they were', () => {
  const turn = fc.constantFrom(0 as const, 90 as const, 180 as const, 270 as const);
  const place = fc.record({
    x: fc.integer({ min: 0, max: 300 }),
    y: fc.integer({ min: 0, max: 400 }),
  });
  fc.assert(
    fc.property(turn, turn, place, (lie, comes, at) => {
      const placed = movedTo(lost, marks, { page: 2, at }, { rotate: lie }, { rotate: comes });
      for (const [k, { after, page, verdict, reason }] of placed.entries()) {
        if (!after) throw new Error('It has no place.');
        expect([page, verdict, reason]).toEqual([2, 'certain', 'moved']);
        const middle = boxCentre(boundsOf(after));
        expect(Math.hypot(middle.x - at.x, middle.y - at.y)).toBeLessThan(2);
        const [was, is] = [seenBy(marks[k], lie), seenBy(after, comes)];
        expect(Math.abs(was.width - is.width)).toBeLessThan(1);
        expect(Math.abs(was.height - is.height)).toBeLessThan(1);
      }
    }),
  );
});

test('what was moved goes there with the edition, and does not wait', () => {
  const moved = movedTo(lost, marks, { page: 1, at: { x: 200, y: 300 } }, PAGE, PAGE);
  const fates = [{ to: null, map: [1, 0, 0, 1, 0, 0], share: 0, by: 'words' } as const];
  let n = 0;
  const transaction = changeEdition({
    ...{ document, was: WAS, is: IS, pages: [PAGE, PAGE], carried: { placed: moved, fates } },
    ...{ left: new Set<string>(), newId: () => `new ${(n += 1)}` },
  });
  const after = done(document, transaction);
  expect(waitingMarks(after)).toEqual([]);
  expect(markOf(after, 'first').page).toBe(after.pages[1].id);
  expect(boxCentre(boundsOf(markOf(after, 'first'))).x).toBeCloseTo(200, 0);
});
