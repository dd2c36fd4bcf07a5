import { markOf, pageRefsFor, written } from '../../testing/marks.ts';
import { wavePath } from '../../testing/hand.ts';
import { drawingBounds } from '../drawing/index.ts';
import { moveBy, plainPage } from '../geometry/index.ts';
import { asInk, kindFor } from '../kinds/index.ts';
import { remarkInWords, REMARK_WIDTH, writtenIn } from './writtenRemark.ts';

const stroke = (depth: number) => {
  const state = written(pageRefsFor([plainPage(400, 800)]), [
    { page: 0, id: 'ink', path: wavePath({ x: 40, y: 100 }, 80, 6, 2) },
  ]);
  const mark = markOf(state, 'ink');
  const ink = asInk(kindFor(mark).carry(mark, moveBy({ x: 0, y: -100 - depth }), {}));
  if (!ink) throw new Error('A stroke is ink.');
  return ink;
};

test('a sheet is as high as what is written on it, down to the lowest stroke', () => {
  expect(writtenIn({})).toBeNull();
  expect(writtenIn({ ink: [] })).toBeNull();
  const one = writtenIn({ ink: [stroke(30)] });
  const two = writtenIn({ ink: [stroke(30), stroke(90)] });
  expect((two?.height ?? 0) - (one?.height ?? 0)).toBeCloseTo(60, 1);
  const bounds = drawingBounds(two?.drawing ?? []);
  expect(-bounds.minY).toBeLessThanOrEqual(two?.height ?? 0);
  expect(bounds.maxX).toBeLessThan(REMARK_WIDTH);
});

test('what is only written says that it is; what is typed too says that', () => {
  expect(remarkInWords({ text: '', ink: [stroke(30)] })).toBe('Written with the pen');
  expect(remarkInWords({ text: 'at *high* tide', ink: [stroke(30)] })).toBe('at high tide');
});
