import { pageRefsFor } from '../../testing/marks.ts';
import { cropPage, turnPage } from '../document/index.ts';
import { box, displayMatrix, displaySize, plainPage, transformBox } from '../geometry/index.ts';
import { cuttingOf } from './cuttingOf.ts';

const [page] = pageRefsFor([plainPage(600, 800)]);
const about = (minX: number, minY: number, maxX: number, maxY: number) => ({
  box: box(minX, minY, maxX, maxY),
});

test('a cutting shows what a task is about and a little around it, and enough of the page to know the place', () => {
  expect(cuttingOf(about(100, 200, 400, 400), page).box).toEqual(box(82, 382, 418, 618));
  const small = cuttingOf(about(300, 400, 302, 402), page);
  expect(displaySize(small)).toEqual({ width: 240, height: 120 });
});

test.each([0, 90, 180, 270] as const)(
  'of a page turned by %i° what is seen there is cut out, within the page',
  (turn) => {
    const turned = turnPage(page, turn);
    const { box: cut } = cuttingOf(about(10, 20, 310, 170), turned);
    const seen = transformBox(displayMatrix(turned), cut);
    [seen.minX, seen.minY, seen.maxX, seen.maxY].forEach((edge, k) =>
      expect(edge).toBeCloseTo([0, 2, 328, 188][k]),
    );
  },
);

test('what the person has cut off a page is in no cutting of it', () => {
  const cropped = cropPage(page, box(100, 100, 300, 300));
  expect(cuttingOf(about(0, 0, 50, 50), cropped).box).toEqual(box(100, 215, 245, 300));
});
