import { drawnFigure } from '../../testing/figureStrokes.ts';
import { distance, distanceToPolyline, pathRings } from '../geometry/index.ts';
import { type Figure, FIGURE_KINDS } from './figure.ts';
import { BARB_ANGLE, figureLines, outlineFigure, rectangleCorners } from './figurePath.ts';

test('closed figures end where they begin; lines do not', () => {
  for (const kind of FIGURE_KINDS) {
    const [line] = figureLines(drawnFigure(kind, 5).figure);
    const ends = distance(line[0], line[line.length - 1]);
    if (kind === 'line' || kind === 'arrow') expect(ends).toBeGreaterThan(10);
    else expect(ends).toBe(0);
  }
});

test('an arrow’s barbs start at its tip, as long and as wide as said', () => {
  const arrow: Figure = { kind: 'arrow', from: { x: 0, y: 0 }, to: { x: 100, y: 0 }, head: 20 };
  const [, [left, tip, right]] = figureLines(arrow);
  expect(tip).toEqual({ x: 100, y: 0 });
  for (const p of [left, right]) expect(distance(p, tip)).toBeCloseTo(20);
  expect(left.y).toBeCloseTo(-20 * Math.sin(BARB_ANGLE));
  expect(right.y).toBeCloseTo(20 * Math.sin(BARB_ANGLE));
});

test('chords of a circle keep within 0.015 point of it', () => {
  const [line] = figureLines({ kind: 'circle', centre: { x: 0, y: 0 }, radius: 90 });
  for (let i = 1; i < line.length; i++) {
    const middle = { x: (line[i].x + line[i - 1].x) / 2, y: (line[i].y + line[i - 1].y) / 2 };
    expect(90 - Math.hypot(middle.x, middle.y)).toBeLessThan(0.0151);
  }
});

test('the outline keeps half the pen’s width from the figure’s lines', () => {
  for (const kind of FIGURE_KINDS) {
    const { figure } = drawnFigure(kind, 11);
    const lines = figureLines(figure);
    for (const ring of pathRings(outlineFigure(figure, 3)))
      for (let i = 0; i < ring.length; i += 2) {
        const p = { x: ring[i], y: ring[i + 1] };
        expect(Math.min(...lines.map((l) => distanceToPolyline(p, l)))).toBeLessThan(1.52);
      }
  }
});

test('rectangle corners are as far apart as width and height say, at any turn', () => {
  const c = rectangleCorners({ centre: { x: 5, y: 6 }, width: 30, height: 10, angle: 0.8 });
  expect(distance(c[0], c[1])).toBeCloseTo(30);
  expect(distance(c[1], c[2])).toBeCloseTo(10);
  expect(distance(c[0], c[2])).toBeCloseTo(Math.hypot(30, 10));
});
