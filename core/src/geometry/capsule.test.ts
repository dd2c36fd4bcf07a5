import fc from 'fast-check';
import { withinCapsule } from './capsule.ts';
import { nearestOnSegment } from './polyline.ts';
import { lerp } from './vec.ts';

const place = fc.record({
  x: fc.double({ min: -20, max: 20, noNaN: true }),
  y: fc.double({ min: -20, max: 20, noNaN: true }),
});
const reach = fc.double({ min: 0, max: 15, noNaN: true });
const TOLERANCE = 1e-6;

test('what is within an even or uneven reach is within the span, and nothing else', () => {
  fc.assert(
    fc.property(place, place, place, place, reach, reach, (a, b, c, d, atA, atB) => {
      const span = withinCapsule(a, b, c, d, atA, atB);
      for (let k = 0; k <= 40; k++) {
        const u = k / 40;
        const excess = nearestOnSegment(lerp(a, b, u), c, d).distance - (atA + u * (atB - atA));
        const isIn = span !== null && u >= span[0] && u <= span[1];
        if (excess < -TOLERANCE) expect(isIn).toBe(true);
        if (excess > TOLERANCE) expect(isIn).toBe(false);
      }
    }),
    { numRuns: 2000 },
  );
});

test('the span is right on short ways, too, where the reach changes faster than they go on', () => {
  const near = { x: 0, y: 0 };
  for (const [x, y] of [
    [0.01, 0],
    [0, 0.02],
    [0, 0],
  ])
    for (const [atA, atB] of [
      [3, 3.5],
      [3.5, 3],
      [2, 2],
    ])
      for (const far of [2.9, 3.2, 3.6]) {
        const a = { x: far, y: 0 };
        const b = { x: far + x, y };
        const span = withinCapsule(a, b, near, near, atA, atB);
        for (let k = 1; k < 20; k++) {
          const u = k / 20;
          const p = lerp(a, b, u);
          const excess = Math.hypot(p.x, p.y) - (atA + u * (atB - atA));
          if (Math.abs(excess) < TOLERANCE) continue;
          expect(span !== null && u > span[0] && u < span[1]).toBe(excess < 0);
        }
      }
});
