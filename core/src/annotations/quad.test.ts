import fc from 'fast-check';
import { rotate, type Vec } from '../geometry/index.ts';
import { quadOf } from './quad.ts';

const [TL, TR, BL, BR] = [
  { x: 10, y: 30 },
  { x: 90, y: 30 },
  { x: 10, y: 20 },
  { x: 90, y: 20 },
];

test.each([
  ['across, as most programs write them', [TL, TR, BL, BR]],
  ['round from the lower left, as the standard has it', [BL, BR, TR, TL]],
  ['round from the upper left', [TL, TR, BR, BL]],
  ['across from below', [BL, BR, TL, TR]],
])('corners that are written %s are those of the line', (_, [a, b, c, d]) => {
  fc.assert(
    fc.property(fc.double({ min: -3.1, max: 3.1, noNaN: true }), (angle) => {
      const turned = (p: Vec): Vec => rotate(p, angle);
      const quad = quadOf(turned(a), turned(b), turned(c), turned(d));
      [TL, TR, BL, BR].forEach((corner, k) => {
        expect(quad[k].x).toBeCloseTo(turned(corner).x);
        expect(quad[k].y).toBeCloseTo(turned(corner).y);
      });
    }),
  );
});
