import { FIGURE_KINDS } from '../../testing/figureKinds.ts';
import { distanceToPolyline } from '../../testing/shapes.ts';
import fc from 'fast-check';
import { idealFigure } from '../../testing/drawnFigures.ts';
import { seededRandom } from '../../testing/seededRandom.ts';
import { distance, type Vec } from '../geometry/index.ts';
import { type Figure } from './figure.ts';
import { figureLines } from './figurePath.ts';
import { dragHandle, withoutCorner } from './dragHandle.ts';
import { centreOf, handlesOf } from './handles.ts';
import { moveFigure, turnFigure } from './moveFigure.ts';

const figures = fc
  .tuple(fc.constantFrom(...FIGURE_KINDS), fc.nat(10_000))
  .map(([kind, seed]) => idealFigure(kind, seededRandom(seed)));

/** How far the outlines stand apart, either way: how many points a curve is drawn with does not matter. */
const apart = (a: Figure, b: Figure): number => {
  const [p, q] = [figureLines(a), figureLines(b)];
  const reach = (from: Vec[][], to: Vec[][]): number =>
    Math.max(...from.flat().map((v) => Math.min(...to.map((line) => distanceToPolyline(v, line)))));
  return Math.max(reach(p, q), reach(q, p));
};

/** How far what shapes one figure stands from the same of another. */
const handlesApart = (a: Figure, b: Figure): number => {
  const shaping = (figure: Figure): Vec[] =>
    handlesOf(figure)
      .filter((handle) => handle.role !== 'turn')
      .map((handle) => handle.at);
  const others = shaping(b);
  return Math.max(...shaping(a).map((at, k) => distance(at, others[k])));
};

test('moving and turning and their inverses return to the figure', () => {
  fc.assert(
    fc.property(
      figures,
      fc.double({ min: -7, max: 7, noNaN: true }),
      fc.integer({ min: -300, max: 300 }),
      (figure, angle, dx) => {
        const by = { x: dx, y: dx / 3 };
        const moved = moveFigure(moveFigure(figure, by), { x: -by.x, y: -by.y });
        expect(handlesApart(figure, moved)).toBeLessThan(1e-6);
        const about = { x: 10, y: 20 };
        const back = turnFigure(turnFigure(figure, angle, about), -angle, about);
        expect(handlesApart(figure, back)).toBeLessThan(1e-6);
      },
    ),
  );
});

test('a handle that is not moved changes nothing, and what it moves follows it', () => {
  fc.assert(
    fc.property(figures, (figure) => {
      for (const handle of handlesOf(figure)) {
        if (handle.role === 'add') continue;
        expect(apart(figure, dragHandle(figure, handle.id, handle.at))).toBeLessThan(0.05);
        const to = { x: handle.at.x + 9, y: handle.at.y + 6 };
        const dragged = dragHandle(figure, handle.id, to);
        expect(dragged.kind).toBe(figure.kind);
        if (handle.role === 'turn') continue;
        const now = handlesOf(dragged).find((h) => h.id === handle.id);
        const before = distance(handle.at, to);
        // Sizes and turns follow along the way they can go, the rest goes where it is put.
        if (!now) throw new Error('The handle is gone.');
        expect(distance(now.at, to)).toBeLessThanOrEqual(before + 15);
      }
    }),
  );
});

test('corners are added and taken away, but not the last ones', () => {
  const polygon: Figure = {
    kind: 'polygon',
    corners: [
      { x: 0, y: 0 },
      { x: 60, y: 0 },
      { x: 30, y: 50 },
    ],
  };
  const four = dragHandle(polygon, 'a1', { x: 60, y: 40 });
  expect(four).toMatchObject({ corners: [{}, {}, { x: 60, y: 40 }, {}] });
  expect(withoutCorner(four, 'c2')).toEqual(polygon);
  expect(withoutCorner(polygon, 'c0')).toBeNull();
  expect(withoutCorner(four, 'a0')).toBeNull();
});

test('even keeps proportions and directions; from the centre the centre stays', () => {
  const box: Figure = {
    kind: 'rectangle',
    centre: { x: 100, y: 100 },
    width: 80,
    height: 40,
    angle: 0.4,
  };
  const corner = handlesOf(box)[0].at;
  const to: Vec = { x: corner.x + 25, y: corner.y + 3 };
  const even = dragHandle(box, 'b0', to, { even: true });
  if (even.kind !== 'rectangle') throw new Error('A rectangle stays one.');
  expect(even.width / even.height).toBeCloseTo(2);
  const centred = dragHandle(box, 'b0', to, { fromCentre: true });
  expect(centreOf(centred)).toEqual(box.centre);
  const line: Figure = { kind: 'line', from: { x: 0, y: 0 }, to: { x: 50, y: 0 } };
  const turned = dragHandle(line, 'to', { x: 40, y: 38 }, { even: true });
  if (turned.kind !== 'line') throw new Error('A line stays one.');
  expect(turned.to.x).toBeCloseTo(turned.to.y);
});
