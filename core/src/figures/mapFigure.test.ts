import { FIGURE_KINDS } from '../../testing/figureKinds.ts';
import { distanceToPolyline } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { idealFigure } from '../../testing/drawnFigures.ts';
import { seededRandom } from '../../testing/seededRandom.ts';
import {
  invertMatrix,
  type Matrix,
  scaleAbout,
  thenMatrix,
  transform,
  turnAbout,
  type Vec,
} from '../geometry/index.ts';
import { type Figure } from './figure.ts';
import { figureLines } from './figurePath.ts';
import { mapFigure } from './mapFigure.ts';

const figures = fc
  .tuple(fc.constantFrom(...FIGURE_KINDS), fc.nat(10_000))
  .map(([kind, seed]) => idealFigure(kind, seededRandom(seed)));
const factor = fc.double({ min: 0.3, max: 3, noNaN: true });
const angle = fc.double({ min: -4, max: 4, noNaN: true });
const place = fc.record({
  x: fc.integer({ min: 0, max: 500 }),
  y: fc.integer({ min: 0, max: 500 }),
});
const even = fc
  .tuple(factor, angle, place)
  .map(([k, turn, at]): Matrix => thenMatrix(scaleAbout(k, k, at), turnAbout(turn, at)));
const stretched = fc
  .tuple(factor, factor, angle, place)
  .map(([sx, sy, turn, at]): Matrix => thenMatrix(scaleAbout(sx, sy, at), turnAbout(turn, at)));

/** How far one outline is from another, either way. */
const apart = (p: readonly Vec[][], q: readonly Vec[][]): number => {
  const reach = (from: readonly Vec[][], to: readonly Vec[][]): number =>
    Math.max(...from.flat().map((v) => Math.min(...to.map((line) => distanceToPolyline(v, line)))));
  return Math.max(reach(p, q), reach(q, p));
};
const mapped = (figure: Figure, m: Matrix): Vec[][] =>
  figureLines(figure).map((line) => line.map((p) => transform(m, p)));

/** What is drawn by a rule of its own on its lines: bulges of one size. */
const RULED = ['cloud'];

test('moved, turned and grown, a figure is of its kind and lies where its points do', () => {
  fc.assert(
    fc.property(figures, even, (figure, m) => {
      const after = mapFigure(figure, m);
      expect(after.kind).toBe(figure.kind);
      if (RULED.includes(figure.kind)) return;
      expect(apart(figureLines(after), mapped(figure, m))).toBeLessThan(0.1);
    }),
  );
});

test('stretched, every figure but arcs, braces and heads lies where its points do', () => {
  const own = [...RULED, 'arc', 'brace', 'bracket', 'arrow'];
  fc.assert(
    fc.property(figures, stretched, (figure, m) => {
      const hasHeads = 'head' in figure || 'tail' in figure || 'caps' in figure;
      if (own.includes(figure.kind) || hasHeads) return;
      expect(apart(figureLines(mapFigure(figure, m)), mapped(figure, m))).toBeLessThan(0.1);
    }),
  );
});

test('a map and its inverse return to the figure within 0.001 pt', () => {
  fc.assert(
    fc.property(figures, stretched, (figure, m) => {
      const back = mapFigure(mapFigure(figure, m), invertMatrix(m));
      // Ellipses may have their axes in another order, and so other points on the same line.
      expect(apart(figureLines(back), figureLines(figure))).toBeLessThan(0.05);
      if (back.kind === figure.kind) {
        const [p, q] = [figureLines(back).flat(), figureLines(figure).flat()];
        if (p.length === q.length && figure.kind !== 'ellipse')
          p.forEach((v, i) => expect(Math.hypot(v.x - q[i].x, v.y - q[i].y)).toBeLessThan(0.001));
      }
    }),
  );
});

test('a mirrored arc and brace bend the other way', () => {
  const mirror = scaleAbout(-1, 1, { x: 100, y: 100 });
  const arc: Figure = {
    kind: 'arc',
    centre: { x: 120, y: 90 },
    radius: 40,
    start: 0.3,
    sweep: 1.4,
  };
  const brace: Figure = { kind: 'brace', from: { x: 50, y: 50 }, to: { x: 60, y: 150 }, depth: 9 };
  for (const figure of [arc, brace])
    expect(apart(figureLines(mapFigure(figure, mirror)), mapped(figure, mirror))).toBeLessThan(0.1);
});
