import { drawnFigure } from '../../testing/figureStrokes.ts';
import { alongCorners, wavePath, writeAlong } from '../../testing/hand.ts';
import type { InkSample } from '../ink/index.ts';
import { type Figure, FIGURE_KINDS } from './figure.ts';
import { readFigure } from './readFigure.ts';

const SEEDS = Array.from({ length: 40 }, (_, i) => i + 1);
const turned = (stroke: readonly InkSample[], angle: number, scale: number): InkSample[] =>
  stroke.map((s) => ({
    ...s,
    x: scale * (s.x * Math.cos(angle) - s.y * Math.sin(angle)),
    y: scale * (s.x * Math.sin(angle) + s.y * Math.cos(angle)),
  }));

describe.each(FIGURE_KINDS)('%s', (kind) => {
  test('is read from a hand that wobbles, whatever its size, turn, direction and gap', () => {
    const right = SEEDS.filter(
      (seed) => readFigure([drawnFigure(kind, seed).stroke])?.kind === kind,
    );
    expect(right.length / SEEDS.length).toBeGreaterThanOrEqual(0.95);
  });

  test('stays what it is when the paper is turned and scaled', () => {
    for (const seed of [3, 8, 13, 21]) {
      const { stroke } = drawnFigure(kind, seed, 0.004);
      const reading = readFigure([stroke]);
      const again = readFigure([turned(stroke, 0.7, 2.5)]);
      expect(again?.kind).toBe(reading?.kind);
    }
  });
});

function about(figure: Figure) {
  if (figure.kind === 'circle' || figure.kind === 'ellipse' || figure.kind === 'rectangle')
    return figure.centre;
  if (figure.kind === 'triangle')
    return {
      x: figure.corners.reduce((n, c) => n + c.x, 0) / 3,
      y: figure.corners.reduce((n, c) => n + c.y, 0) / 3,
    };
  return { x: (figure.from.x + figure.to.x) / 2, y: (figure.from.y + figure.to.y) / 2 };
}

test('the figure lies where the ink lies, and is as large', () => {
  for (const kind of FIGURE_KINDS)
    for (const seed of SEEDS.slice(0, 15)) {
      const { figure, stroke } = drawnFigure(kind, seed, 0.004);
      const reading = readFigure([stroke]);
      if (reading?.kind !== kind) continue;
      const [a, b] = [about(figure), about(reading.figure)];
      expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThan(4);
      if (figure.kind === 'circle' && reading.figure.kind === 'circle')
        expect(Math.abs(reading.figure.radius / figure.radius - 1)).toBeLessThan(0.02);
    }
});

test('an arrow in two and in three strokes is one arrow', () => {
  const shaft = writeAlong(
    alongCorners([
      { x: 50, y: 100 },
      { x: 150, y: 100 },
    ]),
    { seed: 1 },
  );
  const head = [
    { x: 128, y: 112 },
    { x: 150, y: 100 },
    { x: 128, y: 88 },
  ];
  const hook = writeAlong(alongCorners(head), { seed: 2 });
  const barbs = [
    writeAlong(alongCorners([head[0], head[1]]), { seed: 3 }),
    writeAlong(alongCorners([head[1], head[2]]), { seed: 4 }),
  ];
  for (const strokes of [
    [shaft, hook],
    [shaft, ...barbs],
  ]) {
    const reading = readFigure(strokes);
    expect(reading?.kind).toBe('arrow');
    if (reading?.figure.kind === 'arrow')
      expect(Math.abs(reading.figure.to.x - 150)).toBeLessThan(3);
  }
});

test('writing, waves, scribbles, dots and nothing are left alone', () => {
  const scribble = Array.from({ length: 14 }, (_, i) => ({
    x: 60 + i * 6,
    y: i % 2 === 0 ? 60 : 95,
  }));
  const letters = [
    writeAlong(wavePath({ x: 30, y: 90 }, 60, 8, 3)),
    writeAlong(alongCorners(scribble)),
    writeAlong(
      alongCorners([
        { x: 0, y: 0 },
        { x: 4, y: 6 },
        { x: 8, y: 0 },
      ]),
    ),
    [{ x: 5, y: 5, t: 0, pressure: 0.5 }],
    [],
  ];
  for (const stroke of letters) expect(readFigure([stroke])).toBeNull();
  expect(readFigure([])).toBeNull();
});

test('nearly upright rectangles and ellipses stand upright', () => {
  const tilt = (2.5 * Math.PI) / 180;
  const corners = [
    [60, 30],
    [-60, 30],
    [-60, -30],
    [60, -30],
    [60, 30],
  ].map(([x, y]) => ({
    x: 200 + x * Math.cos(tilt) - y * Math.sin(tilt),
    y: 200 + x * Math.sin(tilt) + y * Math.cos(tilt),
  }));
  const reading = readFigure([writeAlong(alongCorners(corners))]);
  expect(reading?.figure.kind).toBe('rectangle');
  if (reading?.figure.kind === 'rectangle')
    expect(Math.abs(reading.figure.angle % (Math.PI / 2))).toBeLessThan(1e-9);
});

test('confidence falls as the hand wobbles more, and other readings come after the best', () => {
  const sure = (wobble: number) =>
    SEEDS.slice(0, 10).reduce(
      (n, seed) => n + (readFigure([drawnFigure('circle', seed, wobble).stroke])?.confidence ?? 0),
      0,
    );
  expect(sure(0.002)).toBeGreaterThan(sure(0.02));
  for (const seed of SEEDS) {
    const reading = readFigure([drawnFigure('rectangle', seed, 0.01).stroke]);
    let last = reading?.confidence ?? 1;
    for (const other of reading?.others ?? []) {
      expect(other.confidence).toBeLessThanOrEqual(last);
      last = other.confidence;
    }
  }
});
