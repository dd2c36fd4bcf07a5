import { distance, vec } from '../geometry/index.ts';
import type { Figure } from './figure.ts';
import { type Printed, settleFigure } from './settle.ts';
import { turnFigure } from './moveFigure.ts';

const BOTH = { upright: true, meet: true };
const degrees = (n: number): number => (n * Math.PI) / 180;
const line: Figure = { kind: 'line', from: { x: 100, y: 100 }, to: { x: 200, y: 100 } };
const box: Figure = {
  kind: 'rectangle',
  centre: { x: 300, y: 100 },
  width: 80,
  height: 40,
  angle: 0,
};

test('lines nearly level, upright or at 45° become so, others stay; it can be switched off', () => {
  for (const turn of [0, 45, 90, 135, 180])
    for (const off of [-3, 2.5]) {
      const drawn = turnFigure(line, degrees(turn + off), { x: 150, y: 100 });
      const { figure } = settleFigure(drawn, [], BOTH);
      if (figure.kind !== 'line') throw new Error('A line stays one.');
      const angle = Math.atan2(figure.to.y - figure.from.y, figure.to.x - figure.from.x);
      expect(Math.abs(Math.sin(4 * angle))).toBeLessThan(1e-9);
      expect(distance(figure.from, figure.to)).toBeCloseTo(100);
      expect(settleFigure(drawn, [], { ...BOTH, upright: false }).figure).toEqual(drawn);
    }
  const aslant = turnFigure(line, degrees(20), { x: 150, y: 100 });
  expect(settleFigure(aslant, [], BOTH).figure).toEqual(aslant);
});

test('the ends of lines meet printed dots; figures drawn round a dot stay, and a short line does not shrink to one', () => {
  const dots = [
    { x: 96, y: 104 },
    { x: 205, y: 97 },
  ];
  const printed: Printed = {
    dot: (at, reach) => dots.find((dot) => distance(dot, at) <= reach) ?? null,
    rule: () => null,
  };
  const settled = settleFigure(line, [], BOTH, printed);
  expect(settled).toEqual({ figure: { ...line, from: dots[0], to: dots[1] }, meets: dots });
  expect(settleFigure(line, [], { ...BOTH, meet: false }, printed).meets).toEqual([]);
  const circle: Figure = { kind: 'circle', centre: { x: 97, y: 103 }, radius: 20 };
  expect(settleFigure(circle, [], BOTH, printed).figure).toEqual(circle);
  const short: Figure = { kind: 'line', from: { x: 92, y: 104 }, to: { x: 102, y: 104 } };
  expect(settleFigure(short, [], BOTH, printed).figure).toEqual(short);
});

test('ends near another figure’s middles and corners meet them, and it is told where', () => {
  const drawn: Figure = {
    kind: 'arrow',
    from: { x: 150, y: 160 },
    to: { x: 257, y: 103 },
    head: 9,
  };
  const settled = settleFigure(drawn, [box], BOTH);
  expect(settled.figure).toMatchObject({ to: { x: 260, y: 100 }, from: drawn.from });
  expect(settled.meets).toEqual([{ x: 260, y: 100 }]);
  expect(settleFigure(drawn, [box], { ...BOTH, meet: false })).toEqual({
    figure: drawn,
    meets: [],
  });
  const far = { ...drawn, to: { x: 245, y: 120 } };
  expect(settleFigure(far, [box], BOTH).meets).toEqual([]);
});

test('a matching line meets the figures at both its ends', () => {
  const left: Figure = { kind: 'circle', centre: { x: 80, y: 300 }, radius: 4 };
  const right: Figure = { kind: 'circle', centre: { x: 320, y: 220 }, radius: 4 };
  const drawn: Figure = { kind: 'line', from: { x: 85, y: 297 }, to: { x: 314, y: 224 } };
  const { figure, meets } = settleFigure(drawn, [left, right], BOTH);
  expect(meets).toHaveLength(2);
  if (figure.kind !== 'line') throw new Error('A line stays one.');
  expect(distance(figure.from, { x: 80, y: 300 })).toBeLessThanOrEqual(4.001);
  expect(distance(figure.to, { x: 320, y: 220 })).toBeLessThanOrEqual(4.001);
});

test('what keeps its shape moves as a whole to meet another', () => {
  const near: Figure = { ...box, centre: { x: 383, y: 104 } };
  const { figure, meets } = settleFigure(near, [box], BOTH);
  expect(figure).toMatchObject({ width: 80, height: 40, centre: { x: 380, y: 100 } });
  expect(meets).toHaveLength(1);
});

test('a triangle with nearly equal legs gets equal ones on a level base', () => {
  const drawn: Figure = {
    kind: 'triangle',
    corners: [
      { x: 0, y: 2 },
      { x: 80, y: 0 },
      { x: 42, y: 110 },
    ],
  };
  const { figure } = settleFigure(drawn, [], BOTH);
  if (figure.kind !== 'triangle') throw new Error('A triangle stays one.');
  const [tip, a, b] = figure.corners;
  expect(distance(tip, a)).toBeCloseTo(distance(tip, b));
  expect(a.y).toBeCloseTo(b.y);
});

test('ends of lines and corners meet printed rules; a line along one does not, nor what keeps its shape', () => {
  const printed: Printed = {
    dot: () => null,
    rule: ({ x, y }, reach) =>
      Math.abs(y - 200) <= reach ? { at: { x, y: 200 }, along: { x: 1, y: 0 } } : null,
  };
  const line = { kind: 'line', from: { x: 50, y: 203 }, to: { x: 50, y: 300 } } as const;
  expect(settleFigure(line, [], BOTH, printed).figure).toEqual({
    ...line,
    from: { x: 50, y: 200 },
  });
  const along = { kind: 'line', from: { x: 50, y: 203 }, to: { x: 150, y: 203 } } as const;
  expect(settleFigure(along, [], BOTH, printed).meets).toEqual([]);
  const corners = [vec(50, 198), vec(90, 202), vec(70, 260), vec(55, 250)];
  const polygon = { kind: 'polygon', corners } as const;
  expect(settleFigure(polygon, [], BOTH, printed).meets).toEqual([vec(50, 200), vec(90, 200)]);
  const circle = { kind: 'circle', centre: vec(50, 199), radius: 20 } as const;
  expect(settleFigure(circle, [], BOTH, printed).figure).toEqual(circle);
});
