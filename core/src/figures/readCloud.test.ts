import { seededRandom } from '../../testing/seededRandom.ts';
import { writeAlong } from '../../testing/hand.ts';
import { drawnFigure, ORDINARY } from '../../testing/drawnFigures.ts';
import type { Vec } from '../geometry/index.ts';
import type { InkSample } from '../ink/index.ts';
import { READ_KINDS } from './figure.ts';
import { readFigure } from './readFigure.ts';

/** A cloud as a hand draws it: bulges of different widths around an ellipse, the last near where the first began. */
function cloud(seed: number): InkSample[] {
  const random = seededRandom(seed);
  const between = (a: number, b: number): number => a + (b - a) * random();
  const count = 6 + Math.floor(9 * random());
  const [rx, ry] = [between(50, 120), between(35, 70)];
  const start = between(0, 2 * Math.PI);
  const way = random() < 0.5 ? 1 : -1;
  const shares = Array.from({ length: count }, () => between(0.7, 1.3));
  const whole = shares.reduce((a, b) => a + b, 0);
  let at = 0;
  const notches = shares.map((share) => {
    at += share;
    const a = start + (way * 2 * Math.PI * at) / whole;
    return { x: 300 + rx * Math.cos(a), y: 400 + ry * Math.sin(a) };
  });
  const path = notches.flatMap((p, k): Vec[] => {
    const q = notches[(k + 1) % count];
    const middle = { x: (p.x + q.x) / 2 - 300, y: (p.y + q.y) / 2 - 400 };
    const chord = Math.hypot(q.x - p.x, q.y - p.y);
    const out = (chord * between(0.35, 0.6)) / Math.hypot(middle.x, middle.y);
    return Array.from({ length: 16 }, (_, i) => {
      const u = i / 16;
      const h = Math.sqrt(Math.max(0, 1 - (2 * u - 1) ** 2));
      return {
        x: p.x + (q.x - p.x) * u + middle.x * out * h,
        y: p.y + (q.y - p.y) * u + middle.y * out * h,
      };
    });
  });
  return writeAlong([...path, { x: path[0].x + between(-3, 3), y: path[0].y + between(-3, 3) }], {
    seed,
    rate: 120,
    noise: 0.15,
  });
}

test('a drawn cloud is read as one, bulge by bulge', () => {
  const readings = Array.from({ length: 40 }, (_, i) => readFigure([cloud(i + 1)]));
  const right = readings.filter((r) => r?.kind === 'cloud' && r.confidence >= 0.55);
  expect(right.length).toBeGreaterThanOrEqual(38);
});

test('nothing else is read as a cloud', () => {
  const taken = READ_KINDS.flatMap((kind) =>
    Array.from({ length: 12 }, (_, i) =>
      readFigure(drawnFigure(kind, 31_000 + i, ORDINARY).strokes),
    ),
  ).filter((reading) => reading?.kind === 'cloud');
  expect(taken).toEqual([]);
});
