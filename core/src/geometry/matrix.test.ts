import { boxHas } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { box, invertibleMatrix, vec } from '../../testing/arbitraries.ts';
import { growBox } from './box.ts';
import { IDENTITY, invertMatrix, thenMatrix, transform, transformBox } from './matrix.ts';

const near = (a: number, b: number) => expect(a).toBeCloseTo(b, 5);

test('first m, then n, is what the product does', () => {
  fc.assert(
    fc.property(invertibleMatrix, invertibleMatrix, vec, (m, n, p) => {
      const step = transform(n, transform(m, p));
      const once = transform(thenMatrix(m, n), p);
      near(once.x, step.x);
      near(once.y, step.y);
    }),
  );
});

test('the inverse brings every point back', () => {
  fc.assert(
    fc.property(invertibleMatrix, vec, (m, p) => {
      const back = transform(invertMatrix(m), transform(m, p));
      near(back.x, p.x);
      near(back.y, p.y);
    }),
  );
  expect(invertMatrix(IDENTITY).map((v) => v + 0)).toEqual(IDENTITY);
});

test('a matrix that flattens the plane is refused', () => {
  expect(() => invertMatrix([1, 2, 2, 4, 0, 0])).toThrow(RangeError);
  expect(() => invertMatrix([NaN, 0, 0, 1, 0, 0])).toThrow(RangeError);
});

test('a mapped box holds every mapped point of the box', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(invertibleMatrix, box, share, share, (m, b, u, v) => {
      const p = { x: b.minX + u * (b.maxX - b.minX), y: b.minY + v * (b.maxY - b.minY) };
      expect(boxHas(growBox(transformBox(m, b), 1e-6), transform(m, p))).toBe(true);
    }),
  );
});
