import { box, pathBounds, partsOfPath } from '../geometry/index.ts';
import { paperDrawing, PATTERNS, usualRuling } from './index.ts';

const A4 = box(0, 0, 595, 842);

test('staves have five lines each, as far apart, and lie as far from the head as from the foot', () => {
  const [fill] = paperDrawing(usualRuling('staved'), A4);
  if (fill.is !== 'fill') throw new Error('It is filled.');
  const lines = partsOfPath(fill.path).map((part) => {
    const { minY, maxY } = pathBounds(part);
    return (minY + maxY) / 2;
  });
  expect(lines.length % 5).toBe(0);
  expect(lines.length / 5).toBeGreaterThan(9);
  const { pitch } = usualRuling('staved');
  for (let k = 0; k + 1 < lines.length; k++) {
    const gap = lines[k] - lines[k + 1];
    if (k % 5 === 4) expect(gap).toBeGreaterThan(4 * pitch);
    else expect(gap).toBeCloseTo(pitch, 1);
  }
  expect(A4.maxY - lines[0]).toBeCloseTo(lines[lines.length - 1], 1);
});

test.each(PATTERNS)('a page that is too small for it is left empty: %s', (pattern) => {
  const drawn = paperDrawing(usualRuling(pattern), box(0, 0, 9, 9));
  const high = drawn.flatMap((item) => (item.is === 'fill' ? [pathBounds(item.path)] : []));
  for (const { minY, maxY } of high) expect(maxY - minY).toBeLessThan(20);
});
