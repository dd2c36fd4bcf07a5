import { seededRandom } from '../../testing/seededRandom.ts';
import { distance, plainPage, transform } from '../geometry/index.ts';
import { fatesByPicture, type SeenPage } from './byPicture.ts';
import { inkPictureOf } from './inkPicture.ts';

const [WIDTH, HEIGHT] = [240, 340];
const SHEET = plainPage(WIDTH, HEIGHT);

/** A page of short strokes at places chosen by chance, moved by so much, points; on paper that is not white. */
function page(number: number, seed: number, by = { x: 0, y: 0 }): SeenPage {
  const random = seededRandom(seed);
  const data = new Uint8Array(4 * WIDTH * HEIGHT).fill(240);
  for (let n = 0; n < 260; n++) {
    const [x, y] = [20 + random() * 190, 20 + random() * 290];
    const [wide, high] = [4 + random() * 16, 2 + random() * 3];
    for (let dy = 0; dy < high; dy++)
      for (let dx = 0; dx < wide; dx++) {
        const at = 4 * (Math.round(y + dy + by.y) * WIDTH + Math.round(x + dx + by.x));
        data.fill(30, at, at + 3);
      }
  }
  return {
    page: number,
    box: SHEET,
    picture: inkPictureOf({ width: WIDTH, height: HEIGHT, data }),
  };
}

test('pages are told by how they look, in whatever order, and how they lie is found', () => {
  const was = [page(0, 1), page(1, 2), page(2, 3)];
  const by = { x: 5, y: 7 };
  const is = [page(0, 3), page(1, 9), page(2, 1, by)];
  const fates = fatesByPicture(was, is);
  expect([...fates].map(([k, { to }]) => [k, to]).sort()).toEqual([
    [0, 2],
    [2, 0],
  ]);
  const moved = fates.get(0)?.map ?? [1, 0, 0, 1, 0, 0];
  for (const at of [
    { x: 60, y: 60 },
    { x: 180, y: 280 },
  ])
    // Down on the page is up in user space.
    expect(distance(transform(moved, at), { x: at.x + by.x, y: at.y - by.y })).toBeLessThan(1);
  expect(fates.get(2)?.share).toBeGreaterThan(0.8);
});

test('pages that look like none are not guessed at', () => {
  expect(fatesByPicture([page(0, 1)], [page(0, 5)]).size).toBe(0);
  expect(fatesByPicture([], [page(0, 5)]).size).toBe(0);
  const white = {
    ...page(0, 1),
    picture: inkPictureOf({ width: 2, height: 2, data: new Uint8Array(16).fill(255) }),
  };
  expect(fatesByPicture([white], [page(0, 5)]).size).toBe(0);
});
