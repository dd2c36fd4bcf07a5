import { FIGURE_KINDS } from '../../testing/figureKinds.ts';
import { distanceToPolyline, pathRings } from '../../testing/shapes.ts';
import { drawnFigure } from '../../testing/drawnFigures.ts';
import { distance, polylineLength } from '../geometry/index.ts';
import { dashed } from './dashes.ts';
import { type Figure } from './figure.ts';
import {
  BARB_ANGLE,
  figureLines,
  insideOf,
  isClosedFigure,
  outlineFigure,
  rectangleCorners,
} from './figurePath.ts';

test('closed figures end where they begin, and have an inside; open ones do not', () => {
  for (const kind of FIGURE_KINDS) {
    const { figure } = drawnFigure(kind, 5);
    const [line] = figureLines(figure);
    const ends = distance(line[0], line[line.length - 1]);
    expect(ends < 1e-9).toBe(isClosedFigure(figure));
    expect(insideOf(figure) !== null).toBe(isClosedFigure(figure));
  }
});

test('dashes lie on the line, take up what they should of it, and leave the heads whole', () => {
  const line = [
    { x: 0, y: 0 },
    { x: 60, y: 0 },
    { x: 60, y: 80 },
  ];
  expect(dashed(line, 2, 'none')).toEqual([line]);
  const pieces = dashed(line, 2, 'dashed');
  const drawn = pieces.reduce((sum, piece) => sum + polylineLength(piece), 0);
  expect(drawn / 140).toBeGreaterThan(0.45);
  expect(drawn / 140).toBeLessThan(0.55);
  for (const p of [...pieces.flat(), ...dashed(line, 2, 'dotted').flat()])
    expect(distanceToPolyline(p, line)).toBeLessThan(1e-9);
  expect(dashed(line, 2, 'dotted').every((dot) => dot.length === 1)).toBe(true);
  const arrow: Figure = { kind: 'arrow', from: { x: 0, y: 0 }, to: { x: 100, y: 0 }, head: 20 };
  const rings = pathRings(outlineFigure(arrow, 1, 'dotted'));
  // One ring a dot, and the head.
  expect(rings.length).toBe(dashed([arrow.from, arrow.to], 1, 'dotted').length + 1);
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
