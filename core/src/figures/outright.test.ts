import { draggedCloud, draggedFigure, tappedCorner, tappedFigure } from './outright.ts';

const from = { x: 100, y: 100 };
const to = { x: 160, y: 130 };

test('what is dragged reaches from one place to the other, or grows from its centre', () => {
  expect(draggedFigure('line', from, to)).toEqual({ kind: 'line', from, to });
  expect(draggedFigure('rectangle', from, to)).toMatchObject({
    centre: { x: 130, y: 115 },
    width: 60,
    height: 30,
  });
  expect(draggedFigure('ellipse', from, to, { fromCentre: true })).toMatchObject({
    centre: from,
    rx: 60,
    ry: 30,
  });
  expect(draggedFigure('arrow', from, to)).toMatchObject({ kind: 'arrow', to });
});

test('even makes squares, circles and lines in steps of 15°', () => {
  expect(draggedFigure('rectangle', from, to, { even: true })).toMatchObject({
    kind: 'square',
    side: 60,
  });
  expect(draggedFigure('ellipse', from, to, { even: true })).toMatchObject({
    kind: 'circle',
    radius: 30,
  });
  const line = draggedFigure('line', from, to, { even: true });
  if (line?.kind !== 'line') throw new Error('A line is a line.');
  const angle = Math.atan2(line.to.y - from.y, line.to.x - from.x);
  expect((angle * 12) / Math.PI).toBeCloseTo(2);
  expect(tappedCorner(from, { x: 200, y: 104 }, true).y).toBeCloseTo(100);
  expect(tappedCorner(undefined, to, true)).toEqual(to);
});

test('nothing has no size; corners make a figure when there are enough', () => {
  expect(draggedFigure('rectangle', from, from)).toBeNull();
  expect(draggedFigure('rectangle', from, { x: 150, y: 100 })).toBeNull();
  expect(tappedFigure('polyline', [from])).toBeNull();
  expect(tappedFigure('polyline', [from, to])).toEqual({ kind: 'polyline', corners: [from, to] });
  expect(tappedFigure('polygon', [from, to])).toBeNull();
  expect(tappedFigure('cloud', [from, to, { x: 90, y: 190 }])?.kind).toBe('cloud');
});

test('a cloud is dragged out too', () => {
  const cloud = draggedCloud(from, to);
  expect(cloud?.kind === 'cloud' && cloud.corners).toEqual([
    { x: 160, y: 130 },
    { x: 100, y: 130 },
    { x: 100, y: 100 },
    { x: 160, y: 100 },
  ]);
  expect(draggedCloud(from, from)).toBeNull();
});
