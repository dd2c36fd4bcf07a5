import type { PaperSample } from './dotNear.ts';
import { rulesIn } from './rulesIn.ts';

const SCALE = 2;
function paper(
  width: number,
  height: number,
  draw: (dark: (x: number, y: number, w: number, h: number, grey?: number) => void) => void,
): PaperSample {
  const [w, h] = [width * SCALE, height * SCALE];
  const brightness = new Uint8ClampedArray(w * h).fill(255);
  draw((x, y, dw, dh, grey = 120) => {
    for (let j = Math.round(y * SCALE); j < (y + dh) * SCALE; j++)
      for (let i = Math.round(x * SCALE); i < (x + dw) * SCALE; i++) brightness[j * w + i] = grey;
  });
  return { width: w, height: h, brightness, pixelsPerPoint: SCALE };
}

test('rules are found with their ends, light ones and dotted ones too', () => {
  const found = rulesIn(
    paper(200, 120, (dark) => {
      dark(20, 30, 150, 0.5);
      dark(20, 54, 150, 0.5, 210);
      for (let x = 20; x < 170; x += 3) dark(x, 78, 1, 1);
    }),
  );
  expect(found.map(({ y }) => Math.round(y))).toEqual([30, 54, 79]);
  for (const { from, to } of found) {
    expect(from).toBeCloseTo(20, 0);
    expect(Math.abs(to - 170)).toBeLessThan(3);
  }
});

test('print, bars and short dashes are no rules', () => {
  const found = rulesIn(
    paper(200, 120, (dark) => {
      // Words with wide gaps, a bar, a dash.
      for (let x = 10; x < 190; x += 24) dark(x, 20, 14, 8);
      dark(10, 50, 180, 9);
      dark(10, 90, 40, 0.5);
    }),
  );
  expect(found).toEqual([]);
});
