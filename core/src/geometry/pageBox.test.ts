import fc from 'fast-check';
import { pageBox } from '../../testing/arbitraries.ts';
import { box } from './box.ts';
import { transform, transformBox } from './matrix.ts';
import { areaAsSeen, displayMatrix, displaySize, type PageBox, plainPage } from './pageBox.ts';

test('the visible box fills the page as shown, from the origin', () => {
  fc.assert(
    fc.property(pageBox, fc.double({ min: 0.1, max: 8, noNaN: true }), (page, zoom) => {
      const { width, height } = displaySize(page);
      const shown = transformBox(displayMatrix(page, zoom), page.box);
      expect(shown.minX).toBeCloseTo(0, 6);
      expect(shown.minY).toBeCloseTo(0, 6);
      expect(shown.maxX).toBeCloseTo(width * zoom, 6);
      expect(shown.maxY).toBeCloseTo(height * zoom, 6);
    }),
  );
});

test('turning is clockwise: the corner at the lower left goes round', () => {
  const at = (rotate: PageBox['rotate']) =>
    transform(displayMatrix({ ...plainPage(200, 100), rotate }), { x: 0, y: 0 });
  expect(at(0)).toEqual({ x: 0, y: 100 });
  expect(at(90)).toEqual({ x: 0, y: 0 });
  expect(at(180)).toEqual({ x: 200, y: 0 });
  expect(at(270)).toEqual({ x: 100, y: 200 });
});

test('a crop away from the origin is moved there, and UserUnit enlarges', () => {
  const page: PageBox = { box: box(50, 60, 150, 260), rotate: 0, userUnit: 2 };
  expect(displaySize(page)).toEqual({ width: 200, height: 400 });
  expect(transform(displayMatrix(page), { x: 50, y: 260 })).toEqual({ x: 0, y: 0 });
});

test('an area begins at its upper left corner as seen, however the page is turned', () => {
  const places = [
    { x: 20, y: 80 },
    { x: 60, y: 30 },
  ];
  const at = (rotate: PageBox['rotate']) => areaAsSeen({ ...plainPage(200, 100), rotate }, places);
  const corners = [
    { x: 20, y: 80 },
    { x: 60, y: 80 },
    { x: 60, y: 30 },
    { x: 20, y: 30 },
  ];
  for (const [turns, rotate] of ([0, 90, 180, 270] as const).entries())
    at(rotate).forEach(({ x, y }, i) => {
      const corner = corners[(i + 4 - turns) % 4];
      expect(x).toBeCloseTo(corner.x, 9);
      expect(y).toBeCloseTo(corner.y, 9);
    });
});
