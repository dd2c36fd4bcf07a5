import { distanceToPolyline } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { stroke } from '../../testing/arbitraries.ts';
import { alongCorners, ellipsePath, rmsFrom, wavePath, writeAlong } from '../../testing/hand.ts';
import type { InkSample } from './sample.ts';
import { createLiveInk, type LiveHand } from './liveInk.ts';
import { smoothInk } from './smoothing.ts';

const steadiness = fc.integer({ min: 0, max: 100 });

test('steadiness 0 gives the samples as they are', () => {
  fc.assert(fc.property(stroke(), (s) => expect(smoothInk(s, 0)).toEqual(s)));
});

test('count, order, times and both ends are kept', () => {
  fc.assert(
    fc.property(stroke(), steadiness, (samples, steady) => {
      const out = smoothInk(samples, steady);
      expect(out.map((s) => s.t)).toEqual(samples.map((s) => s.t));
      expect(out[0]).toEqual(samples[0]);
      expect(out.at(-1)).toEqual(samples.at(-1));
      for (const s of out) {
        expect(Number.isFinite(s.x) && Number.isFinite(s.y)).toBe(true);
        expect(s.pressure).toBeGreaterThanOrEqual(0);
        expect(s.pressure).toBeLessThanOrEqual(1);
      }
    }),
  );
});

test('smoothing moves with the paper: shifting the stroke shifts the ink', () => {
  fc.assert(
    fc.property(stroke(40), steadiness, (samples, steady) => {
      const moved = samples.map((s) => ({ ...s, x: s.x + 1000, y: s.y - 500 }));
      const a = smoothInk(samples, steady);
      const b = smoothInk(moved, steady);
      a.forEach((s, i) => {
        expect(b[i].x - 1000).toBeCloseTo(s.x, 4);
        expect(b[i].y + 500).toBeCloseTo(s.y, 4);
      });
    }),
  );
});

test('a trembling hand comes nearer to what it meant, half way at half the steadiness', () => {
  const path = wavePath({ x: 50, y: 300 }, 260, 14, 3);
  const error = (steady: number) =>
    [1, 2, 3, 4, 5].reduce(
      (sum, seed) =>
        sum + rmsFrom(smoothInk(writeAlong(path, { seed, tremor: 0.35 }), steady), path),
      0,
    );
  const raw = error(0);
  expect(error(20)).toBeLessThan(raw);
  expect(error(40)).toBeLessThan(0.4 * raw);
  expect(error(100)).toBeLessThan(0.4 * raw);
});

test('a steady curve is not flattened', () => {
  const path = ellipsePath({ x: 200, y: 200 }, 30, 18);
  const ink = writeAlong(path, { noise: 0.02 });
  expect(rmsFrom(smoothInk(ink, 40), path)).toBeLessThan(0.1);
});

test('sharp corners stay within half a point of where the hand turned', () => {
  const corners = [
    { x: 50, y: 50 },
    { x: 80, y: 110 },
    { x: 110, y: 50 },
    { x: 140, y: 110 },
  ];
  for (const rate of [60, 120, 240]) {
    const ink = writeAlong(alongCorners(corners), { rate, noise: 0.05, speed: 120 });
    const out = smoothInk(ink, 50);
    const raw = corners.map((c) => Math.min(...ink.map((s) => Math.hypot(s.x - c.x, s.y - c.y))));
    corners.forEach((c, k) => {
      const near = Math.min(...out.map((s) => Math.hypot(s.x - c.x, s.y - c.y)));
      expect(near).toBeLessThan(raw[k] + 0.5);
    });
  }
});

test('what has settled under the pen is what the finished ink shows', () => {
  for (const steady of [20, 40, 80]) {
    const ink = writeAlong(wavePath({ x: 50, y: 300 }, 260, 20, 2.5), { seed: 7, tremor: 0.35 });
    const live = createLiveInk(steady);
    const finished = smoothInk(ink, steady);
    for (const s of ink) {
      live.push(s);
      expect(live.tip()).toBe(s);
      expect(live.points().at(-1)).toEqual(s);
    }
    // Until the samples tell what hand it is, the live line is the raw one: a fifth of a second at most.
    const off = live
      .settledFrom(0)
      .filter((s) => s.t > 200)
      .map((s) => distanceToPolyline(s, finished));
    expect(off.length).toBeGreaterThan(ink.length / 2);
    expect(Math.max(...off)).toBeLessThan(0.3);
    expect(off.reduce((a, b) => a + b, 0) / off.length).toBeLessThan(0.06);
  }
});

test('settled points never move again, and the tail joins them', () => {
  fc.assert(
    fc.property(stroke(120), steadiness, (samples, steady) => {
      const live = createLiveInk(steady);
      const seen: unknown[] = [];
      for (const s of samples) {
        live.push(s);
        const settled = live.settledFrom(0);
        expect(settled.length).toBe(live.settledCount());
        seen.forEach((before, i) => expect(settled[i]).toBe(before));
        seen.push(...settled.slice(seen.length));
      }
      expect(live.points()).toHaveLength(samples.length);
      expect(live.tail().at(-1)).toEqual(samples.at(-1));
    }),
  );
});

test('a sample reads only its neighbourhood, however long the stroke', () => {
  // Counted reads, not time: an old sample is never looked at again.
  const live = createLiveInk(60);
  let oldest = Infinity;
  const count = 3000;
  let pushing = 0;
  for (let i = 0; i < count; i++) {
    pushing = i;
    const x = 100 + i * 0.4;
    live.push({
      get x() {
        oldest = Math.min(oldest, i - pushing);
        return x;
      },
      y: 200 + 6 * Math.sin(i / 15),
      t: i * 4,
      pressure: 0.5,
    });
  }
  expect(oldest).toBeGreaterThan(-200);
});

describe('input as it really comes', () => {
  const wave = (count: number, more: (i: number) => Partial<InkSample> = () => ({})): InkSample[] =>
    Array.from({ length: count }, (_, i) => ({
      x: 100 + 0.5 * i,
      y: 300 + 8 * Math.sin(i / 20),
      t: 8 * i,
      pressure: 0.5,
      ...more(i),
    }));

  test.each([
    ['ten thousand samples', wave(10_000, (i) => ({ x: 100 + 0.04 * i, t: 4 * i }))],
    ['every place reported twice', wave(200, (i) => ({ x: 100 + Math.floor(i / 2) }))],
    ['times that stand still', wave(120, (i) => ({ t: 24 * Math.floor(i / 3) }))],
    ['all of a frame stamped alike', wave(120, (i) => ({ t: 17 * Math.floor(i / 6) }))],
    ['a flick stamped with one time', wave(9, (i) => ({ x: 100 + 3 * i, t: 0 }))],
    ['a pause of three seconds', wave(120, (i) => ({ t: 8 * i + (i > 60 ? 3000 : 0) }))],
    ['a pen that rests', wave(80, () => ({ x: 100, y: 300 }))],
  ])('%s: the line stays near the samples', (_, samples) => {
    const out = smoothInk(samples, 40);
    out.forEach((s, i) => {
      expect(Math.hypot(s.x - samples[i].x, s.y - samples[i].y)).toBeLessThan(1.5);
    });
  });

  test('a jump is drawn as it came: nothing swings around it', () => {
    const samples = wave(120, (i) => (i < 60 ? {} : { y: 500 + 8 * Math.sin(i / 20) }));
    for (const s of smoothInk(samples, 40))
      expect(Math.min(...samples.map((p) => Math.abs(p.y - s.y)))).toBeLessThan(3);
  });

  test('a tap and two samples are left alone', () => {
    for (const count of [1, 2, 3]) expect(smoothInk(wave(count), 100)).toEqual(wave(count));
  });
});

test('a trembling hand is helped sooner when the stroke before was by it', () => {
  const path = alongCorners([
    { x: 100, y: 300 },
    { x: 260, y: 306 },
  ]);
  const strokeOf = (seed: number): InkSample[] =>
    writeAlong(path, { seed, speed: 120, tremor: 0.35, tremorHz: 9, noise: 0.1 });
  /** How far the line strays from the straight path by 150 ms, points rms. */
  const strayOf = (seed: number, first?: LiveHand): number => {
    const live = createLiveInk(40, first);
    for (const sample of strokeOf(seed).filter(({ t }) => t < 150)) live.push(sample);
    const offs = live.points().map(({ x, y }) => y - 300 - (6 * (x - 100)) / 160);
    const mean = offs.reduce((a, b) => a + b, 0) / offs.length;
    return Math.sqrt(offs.reduce((sum, o) => sum + (o - mean) ** 2, 0) / offs.length);
  };
  let [fresh, known] = [0, 0];
  for (let seed = 1; seed < 16; seed++) {
    const before = createLiveInk(40);
    for (const sample of strokeOf(seed)) before.push(sample);
    fresh += strayOf(seed + 50);
    known += strayOf(seed + 50, before.hand());
  }
  expect(known).toBeLessThan(0.8 * fresh);
});
