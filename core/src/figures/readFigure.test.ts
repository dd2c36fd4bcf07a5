import { drawnFigure, ORDINARY, STRONG } from '../../testing/drawnFigures.ts';
import { alongCorners, wavePath, writeAlong } from '../../testing/hand.ts';
import { distance, type Vec } from '../geometry/index.ts';
import type { InkSample } from '../ink/index.ts';
import { READ_KINDS } from './figure.ts';
import { rectangleCorners } from './figurePath.ts';
import { centreOf } from './handles.ts';
import { readFigure } from './readFigure.ts';

const SEEDS = Array.from({ length: 40 }, (_, i) => i + 5001);

describe.each(READ_KINDS)('%s', (kind) => {
  test('is read whatever its size, turn, direction, gaps, hooks and number of strokes', () => {
    const right = SEEDS.filter((s) => readFigure(drawnFigure(kind, s).strokes)?.kind === kind);
    expect(right.length / SEEDS.length).toBeGreaterThanOrEqual(0.94);
  });

  test('stays what it is when the paper is turned and scaled, and the pen read less often', () => {
    for (const seed of [5003, 5008, 5013]) {
      const { strokes } = drawnFigure(kind, seed, { ...ORDINARY, hooks: 0 });
      const reading = readFigure(strokes);
      const again = readFigure(strokes.map((s) => thinned(turned(s, 0.7, 1.6))));
      expect(again?.kind).toBe(reading?.kind);
    }
  });
});

const turned = (stroke: readonly InkSample[], angle: number, by: number): InkSample[] =>
  stroke.map((s) => ({
    ...s,
    x: by * (s.x * Math.cos(angle) - s.y * Math.sin(angle)),
    y: by * (s.x * Math.sin(angle) + s.y * Math.cos(angle)),
  }));
const thinned = (stroke: readonly InkSample[]): InkSample[] =>
  stroke.length < 80
    ? [...stroke]
    : stroke.filter((_, i) => i % 2 === 0 || i === stroke.length - 1);

test('the figure lies where it was meant: corners within 2 % of the diagonal, radius within 2 %', () => {
  const off: number[] = [];
  for (const seed of SEEDS) {
    const circle = drawnFigure('circle', seed);
    const round = readFigure(circle.strokes)?.figure;
    if (circle.figure.kind === 'circle' && round?.kind === 'circle')
      off.push(Math.abs(round.radius / circle.figure.radius - 1));
    const box = drawnFigure('rectangle', seed);
    const read = readFigure(box.strokes)?.figure;
    if (box.figure.kind !== 'rectangle' || read?.kind !== 'rectangle') continue;
    const meant = rectangleCorners(box.figure);
    const diagonal = distance(meant[0], meant[2]);
    for (const p of rectangleCorners(read))
      off.push(Math.min(...meant.map((q) => distance(p, q))) / diagonal);
  }
  expect(off.length).toBeGreaterThan(150);
  off.sort((a, b) => a - b);
  // The hand that draws strays by 0.8 % itself, so a few lie farther off.
  expect(off[Math.floor(0.95 * off.length)]).toBeLessThan(0.02);
});

test('with two heads, and with bars at its ends, a line in several strokes is one figure', () => {
  const write = (...corners: Vec[]): InkSample[] => writeAlong(alongCorners(corners), { seed: 3 });
  const at = (x: number, y: number): Vec => ({ x, y });
  const shaft = write(at(50, 100), at(170, 104));
  const right = write(at(152, 114), at(170, 104), at(152, 94));
  const left = write(at(68, 110), at(50, 100), at(68, 90));
  const both = readFigure([shaft, right, left]);
  expect(both?.figure).toMatchObject({ kind: 'arrow' });
  if (both?.figure.kind === 'arrow') expect(both.figure.tail).toBeGreaterThan(10);
  const caps = readFigure([
    shaft,
    write(at(50, 92), at(50, 108)),
    write(at(170, 112), at(170, 96)),
  ]);
  expect(caps?.figure).toMatchObject({ kind: 'line' });
  if (caps?.figure.kind === 'line') expect(caps.figure.caps).toBeCloseTo(16, -0.5);
});

/** A path whose corners are cut off by a pen that lags `lag` points behind the hand. */
function lagging(corners: readonly Vec[], lag: number): Vec[] {
  let pen = corners[0];
  return alongCorners(corners).map((to, i, all) => {
    const step = i === 0 ? 0 : distance(to, all[i - 1]);
    const follow = 1 - Math.exp(-step / lag);
    pen = { x: pen.x + (to.x - pen.x) * follow, y: pen.y + (to.y - pen.y) * follow };
    return pen;
  });
}
const regular = (count: number, radius: number): Vec[] =>
  Array.from({ length: count + 1 }, (_, k) => ({
    x: 200 + radius * Math.cos((2 * Math.PI * k) / count),
    y: 300 + radius * Math.sin((2 * Math.PI * k) / count),
  }));

test('what a quick pen has rounded off keeps its corners when it is large; small it is a letter', () => {
  const ell = (size: number): Vec[] => [
    { x: 100, y: 100 + size },
    { x: 100, y: 100 },
    { x: 100 + 0.8 * size, y: 100 },
  ];
  const read = (corners: readonly Vec[], lag: number) =>
    readFigure([writeAlong(lagging(corners, lag), { seed: 5 })])?.kind;
  expect(read(ell(120), 14)).toBe('polyline');
  expect(read(ell(32), 5)).toBeUndefined();
  expect(read(regular(6, 45), 4)).toBe('polygon');
  expect(read(regular(24, 45), 6)).toBe('circle');
});

test('an arrow in one stroke may have a tip rounded off, and its shaft may bend at the head', () => {
  const arrow = (...way: Vec[]): Vec[] => [
    ...way,
    { x: 240, y: 300 },
    { x: 216, y: 316 },
    { x: 240, y: 300 },
    { x: 216, y: 286 },
  ];
  const straight = arrow({ x: 100, y: 300 });
  const bent = arrow({ x: 60, y: 318 }, { x: 205, y: 313 });
  for (const way of [lagging(straight, 14), lagging(bent, 2)])
    expect(readFigure([writeAlong(way, { seed: 2 })])?.kind).toBe('arrow');
});

test('what would be a ring, were it larger, is not taken for a square instead', () => {
  const ring = Array.from({ length: 80 }, (_, i) => ({
    x: 100 + 10 * Math.cos(i / 12.6),
    y: 100 + 12 * Math.sin(i / 12.6),
  }));
  for (let seed = 1; seed <= 20; seed++)
    expect(readFigure([writeAlong(ring, { seed })])).toBeNull();
});

test('writing, waves, scribbles, dots and nothing are left alone', () => {
  const scribble = Array.from({ length: 14 }, (_, i) => ({
    x: 60 + i * 6,
    y: i % 2 === 0 ? 60 : 95,
  }));
  const strokes = [
    // A wave as steep as it is long would be a zigzag with rounded corners.
    writeAlong(wavePath({ x: 30, y: 90 }, 90, 5, 3)),
    writeAlong(alongCorners(scribble)),
    [{ x: 5, y: 5, t: 0, pressure: 0.5 }],
    [],
  ];
  for (const stroke of strokes) expect(readFigure([stroke])).toBeNull();
  expect(readFigure([])).toBeNull();
});

test('confidence falls as the hand wobbles more; other readings come after the best, each once', () => {
  const sure = (hand: typeof ORDINARY) =>
    SEEDS.slice(0, 10).reduce(
      (n, seed) => n + (readFigure(drawnFigure('circle', seed, hand).strokes)?.confidence ?? 0),
      0,
    );
  expect(sure(ORDINARY)).toBeGreaterThan(sure(STRONG));
  for (const seed of SEEDS) {
    const reading = readFigure(drawnFigure('square', seed, STRONG).strokes);
    const all = reading ? [reading, ...reading.others] : [];
    expect(new Set(all.map((r) => r.kind)).size).toBe(all.length);
    all.slice(1).forEach((r, k) => expect(r.confidence).toBeLessThanOrEqual(all[k].confidence));
  }
});

test('the other readings of a square lie about the same middle', () => {
  const reading = readFigure(drawnFigure('square', 5001).strokes);
  if (!reading) throw new Error('A square is read.');
  for (const other of reading.others)
    expect(distance(centreOf(other.figure), centreOf(reading.figure))).toBeLessThan(6);
});

test.each([
  [430, 15, 6.6],
  [200, 4.7, 6],
  [100, 3, 5],
  [300, 6, 10],
])('a wave %p points long, %p high and of %p turns is no figure', (length, height, turns) => {
  const wave = Array.from({ length: 300 }, (_, i) => ({
    x: 100 + (length * i) / 299,
    y: 400 + height * Math.sin((2 * Math.PI * turns * i) / 299),
    t: 4 * i,
    pressure: 0.5,
  }));
  expect(readFigure([wave])).toBeNull();
});

test('two wavy lines, one beneath the other, are no figure', () => {
  const wave = (from: number): InkSample[] =>
    Array.from({ length: 300 }, (_, i) => ({
      x: 200 + 1.34 * i,
      y: 640 - 15 * Math.sin(i / 7.2) - 76 * Math.sin((from + 8.3 * i) / 900),
      t: from + 8.3 * i,
      pressure: 0.5,
    }));
  for (let from = 0; from < 9000; from += 500)
    expect(readFigure([wave(from), wave(from + 3000)])).toBeNull();
});
