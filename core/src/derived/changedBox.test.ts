import { boxHas } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { wavePath } from '../../testing/hand.ts';
import { markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { growBox, plainPage, VERB, VERB_COORDS } from '../geometry/index.ts';
import { type Mark } from '../kinds/index.ts';
import { INSTRUMENTS, type Run, writes } from '../marks/index.ts';
import { changedBox } from './changedBox.ts';
import { wholeLines } from './lines.ts';
import { boundsOf, outlineOf } from './drawingOf.ts';

const pages = pageRefsFor([plainPage(600, 800)]);
const brush = INSTRUMENTS.filter(writes).find((i) => i.kind === 'brush');
const state = written(pages, [
  { page: 0, path: wavePath({ x: 100, y: 400 }, 200, 10, 3), id: 'wave' },
  { page: 0, path: wavePath({ x: 100, y: 300 }, 200, 10, 3), id: 'brush', instrument: brush },
]);
/** Parts in order, some way apart, as shares of the line. */
const parts = fc
  .uniqueArray(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 8 })
  .map((all) => all.sort((a, b) => a - b))
  .map((all) => all.slice(0, all.length - (all.length % 2)));

function partly(mark: Mark, shares: readonly number[]): Mark {
  const [{ at }] = wholeLines(mark);
  const end = at[at.length - 1];
  const left = shares.flatMap((from, i): Run[] =>
    i % 2 === 0 ? [{ line: 0, from: (from / 100) * end, to: (shares[i + 1] / 100) * end }] : [],
  );
  return { ...mark, left };
}

test('outside the box the outlines of a mark before and after rubbing are the same', () => {
  fc.assert(
    fc.property(fc.constantFrom('wave', 'brush'), parts, parts, (id, one, other) => {
      const whole = markOf(state, id);
      const [was, is] = [partly(whole, one), partly(whole, other)];
      const box = growBox(changedBox(was, is), 0.02);
      const sides = (mark: Mark): Set<string> => {
        const { verbs, coords } = outlineOf(mark);
        const found = new Set<string>();
        let at = 0;
        for (const verb of verbs) {
          if (verb === VERB.L) {
            const [fromX, fromY, x, y] = coords.subarray(at - 2, at + 2);
            if (!boxHas(box, { x: fromX, y: fromY }) || !boxHas(box, { x, y }))
              found.add(`${fromX} ${fromY} ${x} ${y}`);
          }
          at += VERB_COORDS[verb];
        }
        return found;
      };
      expect(sides(is)).toEqual(sides(was));
    }),
  );
});

test('what looks otherwise altogether is all of it', () => {
  const was = markOf(state, 'wave');
  const is: Mark = { ...was, style: { ...was.style, width: 9 } };
  for (const mark of [was, is]) {
    const { minX, minY, maxX, maxY } = boundsOf(mark);
    expect(boxHas(changedBox(was, is), { x: minX, y: minY })).toBe(true);
    expect(boxHas(changedBox(was, is), { x: maxX, y: maxY })).toBe(true);
  }
});
