import fc from 'fast-check';
import { box, boxesMeet } from './box.ts';
import { MARK_TILING, PAPER_TILING, tilesFor } from './tiles.ts';

test('a small page is one piece, wherever it is looked at', () => {
  expect(tilesFor(800, 1200, box(100, 100, 200, 200), PAPER_TILING)).toEqual([
    { key: 'whole', x: 0, y: 0, width: 800, height: 1200 },
  ]);
  expect(tilesFor(800, 1200, box(900, 0, 1000, 100), PAPER_TILING)).toEqual([]);
});

test('tiles of a large page cover what is seen, without overlap and within bounds', () => {
  const side = fc.integer({ min: 3000, max: 20_000 });
  const share = fc.double({ min: 0, max: 0.9, noNaN: true });
  fc.assert(
    fc.property(
      side,
      side,
      share,
      share,
      fc.constantFrom(PAPER_TILING, MARK_TILING),
      (width, height, u, v, tiling) => {
        const seen = box(u * width, v * height, u * width + 1500, v * height + 900);
        const tiles = tilesFor(width, height, seen, tiling);
        expect(width * height).toBeGreaterThan(tiling.onePiece);
        expect(new Set(tiles.map((t) => t.key)).size).toBe(tiles.length);
        let area = 0;
        for (const t of tiles) {
          expect(t.width <= tiling.side && t.height <= tiling.side).toBe(true);
          expect(t.x + t.width <= width && t.y + t.height <= height).toBe(true);
          const b = box(t.x, t.y, t.x + t.width, t.y + t.height);
          expect(boxesMeet(b, seen)).toBe(true);
          const w = Math.min(b.maxX, seen.maxX) - Math.max(b.minX, seen.minX);
          const h = Math.min(b.maxY, seen.maxY) - Math.max(b.minY, seen.minY);
          area += Math.max(0, w) * Math.max(0, h);
        }
        const clipped =
          (Math.min(width, seen.maxX) - seen.minX) * (Math.min(height, seen.maxY) - seen.minY);
        expect(area).toBeCloseTo(clipped, 3);
      },
    ),
  );
});
