import { seededRandom } from '../../testing/seededRandom.ts';
import { withoutPaper } from './withoutPaper.ts';

const [WIDTH, HEIGHT] = [240, 120];

/** Blue ink three pixels wide on paper in a shadow, with the noise of a camera. */
function photographed(): {
  readonly data: Uint8ClampedArray;
  isInk(x: number, y: number): boolean;
} {
  const random = seededRandom(5);
  const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  const isInk = (x: number, y: number): boolean =>
    Math.abs(y - 60 - 30 * Math.sin(x / 18)) < 1.5 && x > 20 && x < 220;
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const light = 1 - 0.45 * (x / WIDTH) * (y / HEIGHT);
      const noise = 6 * (random() - 0.5);
      const colour = isInk(x, y) ? [40, 60, 130] : [238, 234, 224];
      data.set([...colour.map((c) => c * light + noise), 255], 4 * (y * WIDTH + x));
    }
  return { data, isInk };
}

test('paper can be seen through, shadow and all, and ink stays in its colour', () => {
  const { data, isInk } = photographed();
  withoutPaper(data, WIDTH, HEIGHT);
  let [paper, seen, ink, kept] = [0, 0, 0, 0];
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const k = 4 * (y * WIDTH + x);
      if (isInk(x, y)) {
        ink++;
        if (data[k + 3] > 240 && data[k + 2] > data[k] + 20) kept++;
      } else {
        paper++;
        if (data[k + 3] > 12) seen++;
      }
    }
  expect(seen / paper).toBeLessThan(0.001);
  expect(kept / ink).toBeGreaterThan(0.98);
});

test('a picture of one pixel, and one that is all ink, are taken as they are', () => {
  const one = Uint8ClampedArray.of(20, 20, 20, 255);
  withoutPaper(one, 1, 1);
  // There is no paper beside it.
  expect(one[3]).toBe(0);
  const blank = new Uint8ClampedArray(4 * 50 * 40).fill(255);
  withoutPaper(blank, 50, 40);
  expect([...blank].filter((_, k) => k % 4 === 3 && blank[k] > 0)).toEqual([]);
});
