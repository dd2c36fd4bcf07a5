import { SETTLING } from '../../testing/settling.ts';
import { rawPrint } from '../../testing/print.ts';
import { distance, type Vec } from '../geometry/index.ts';
import { alongLine } from './alongLine.ts';
import { findInPrint } from './find.ts';
import { quadsOf } from './quads.ts';
import { readPrint } from './readPrint.ts';

/** A hand that goes from one place to another and sways by so much. */
const stroke = (from: Vec, to: Vec, sway = 2): Vec[] =>
  Array.from({ length: 25 }, (_, k) => ({
    x: from.x + ((to.x - from.x) * k) / 24,
    y: from.y + ((to.y - from.y) * k) / 24 + sway * Math.sin(k / 2),
  }));
const [quad] = quadsOf(SETTLING, findInPrint(SETTLING, 'settle where')[0]);
const [headStart, headEnd, footStart] = quad;
const middle = (headStart.y + footStart.y) / 2;

test('a stroke over words lies straight on their line, as high as it is, and ends with the words', () => {
  const along = alongLine(
    SETTLING,
    stroke({ x: headStart.x + 1.5, y: middle + 1 }, { x: headEnd.x - 1, y: middle - 2 }),
  );
  expect(along?.from.x).toBeCloseTo(headStart.x, 1);
  expect(along?.to.x).toBeCloseTo(headEnd.x, 1);
  expect(along?.from.y).toBeCloseTo(middle, 1);
  expect(along?.to.y).toBeCloseTo(middle, 1);
  expect(along?.height).toBeCloseTo(headStart.y - footStart.y, 1);
  expect(along?.angle).toBeCloseTo(0);
});

test('of two lines it lies on the one it keeps nearer to', () => {
  const [{ from: first }] = SETTLING.lines;
  const [upper] = quadsOf(SETTLING, { from: first, to: SETTLING.lines[0].to });
  const [lower] = quadsOf(SETTLING, SETTLING.lines[1]);
  const y = (lower[0].y + lower[2].y) / 2 + 2;
  const along = alongLine(SETTLING, stroke({ x: 60, y }, { x: 120, y }, 1));
  expect(along?.from.y).toBeCloseTo((lower[0].y + lower[2].y) / 2, 1);
  expect(along?.from.y).toBeLessThan(upper[2].y);
});

test('one that begins before the line or goes on beyond it ends with the line, and not farther away', () => {
  const [all] = quadsOf(SETTLING, SETTLING.lines[0]);
  const near = alongLine(
    SETTLING,
    stroke({ x: all[0].x - 6, y: middle }, { x: all[1].x + 6, y: middle }),
  );
  expect(near?.from.x).toBeCloseTo(all[0].x, 1);
  expect(near?.to.x).toBeCloseTo(all[1].x, 1);
});

test('what crosses lines, goes to and fro, is too short or beside the print is left as it is', () => {
  const x = headStart.x + 20;
  const fro = [
    ...stroke({ x, y: middle }, { x: x + 40, y: middle }),
    ...stroke({ x: x + 40, y: middle }, { x, y: middle }),
    ...stroke({ x, y: middle }, { x: x + 40, y: middle }),
  ];
  for (const points of [
    stroke({ x, y: middle + 20 }, { x: x + 10, y: middle - 40 }),
    fro,
    stroke({ x, y: middle }, { x: x + 4, y: middle }, 0),
    stroke({ x, y: middle + 60 }, { x: x + 60, y: middle + 60 }),
    [{ x, y: middle }],
  ])
    expect(alongLine(SETTLING, points)).toBeNull();
  expect(alongLine(readPrint(rawPrint([])), stroke({ x: 0, y: 0 }, { x: 90, y: 0 }))).toBeNull();
});

test('a line that is set at an angle is followed at that angle', () => {
  const print = readPrint(
    rawPrint([{ text: 'Barnacles settle where others have', x: 200, y: 50, angle: Math.PI / 2 }]),
  );
  const [line] = print.lines;
  const [q] = quadsOf(print, line);
  const along = alongLine(
    print,
    [0, 0.2, 0.4, 0.6, 0.8, 1].map((t) => ({
      x: (q[0].x + q[2].x) / 2 + t,
      y: q[0].y + (q[1].y - q[0].y) * t,
    })),
  );
  expect(along && distance(along.from, along.to)).toBeCloseTo(distance(q[0], q[1]), 0);
});
