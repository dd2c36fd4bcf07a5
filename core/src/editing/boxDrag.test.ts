import fc from 'fast-check';
import { box, boxCentre, IDENTITY, transform } from '../geometry/index.ts';
import { BOX_HANDLES, boxDrag, handlePlace, leavesAlone, stoppedAtEdge } from './boxDrag.ts';

const handle = (id: string) => {
  const found = BOX_HANDLES.find((h) => h.id === id);
  if (!found) throw new Error(`There is no handle ${id}.`);
  return found;
};
const MOVE = { id: 'move', name: '', act: 'move', x: 0, y: 0 } as const;
const b = box(100, 200, 180, 260);
const page = { width: 595, height: 842 };

const coordinate = fc.double({ min: -300, max: 300, noNaN: true });
const corners = fc.constantFrom('nw', 'ne', 'se', 'sw').map(handle);

test('a corner follows the pointer’s projection on the diagonal; the corner across stays', () => {
  fc.assert(
    fc.property(corners, coordinate, coordinate, (corner, x, y) => {
      const from = handlePlace(b, corner);
      const anchor = handlePlace(b, { ...corner, x: -corner.x, y: -corner.y });
      const matrix = boxDrag(b, corner, from, { x: from.x + x, y: from.y + y });
      const now = transform(matrix, from);
      const d = { x: from.x - anchor.x, y: from.y - anchor.y };
      // What is left between the pointer and the corner is square to the diagonal, but for the smallest size.
      const off = { x: from.x + x - now.x, y: from.y + y - now.y };
      if (matrix[0] > 0.041) expect(off.x * d.x + off.y * d.y).toBeCloseTo(0, 4);
      expect(matrix[0]).toBeCloseTo(matrix[3]);
      expect(transform(matrix, anchor).x).toBeCloseTo(anchor.x);
    }),
  );
});

test('a side stretches one way only, a corner both when free', () => {
  const [at] = [handlePlace(b, handle('e'))];
  expect(boxDrag(b, handle('e'), at, { x: at.x + 40, y: at.y + 90 }).slice(0, 4)).toEqual([
    1.5, 0, 0, 1,
  ]);
  const se = handlePlace(b, handle('se'));
  const free = boxDrag(b, handle('se'), se, { x: se.x + 40, y: se.y + 60 }, { free: true });
  expect(free.slice(0, 4)).toEqual([1.5, 0, 0, 2]);
});

test('turning goes round the middle, in steps when even', () => {
  const from = { x: 140, y: 170 };
  const turned = boxDrag(b, handle('turn'), from, { x: 190, y: 226 }, { even: true });
  expect(transform(turned, boxCentre(b))).toEqual(boxCentre(b));
  expect((Math.atan2(turned[1], turned[0]) * 12) / Math.PI).toBeCloseTo(6);
});

test('what is dragged back to where it was changes nothing, whatever is taken', () => {
  for (const one of [...BOX_HANDLES, MOVE]) {
    const from = { x: 141, y: 171 };
    expect(leavesAlone(boxDrag(b, one, from, from), b)).toBe(true);
  }
  expect(leavesAlone(IDENTITY, b)).toBe(true);
  expect(leavesAlone([1, 0, 0, 1, 0.5, 0], b)).toBe(false);
});

test.each([
  ['within the page it goes where it is dragged', MOVE, { x: 30, y: 40 }, { x: 30, y: 40 }],
  ['a little over the edge it stops', MOVE, { x: -110, y: 10 }, { x: -100, y: 10 }],
  ['pushed on it goes over', MOVE, { x: -160, y: 10 }, { x: -160, y: 10 }],
  ['a corner stops there too', handle('sw'), { x: -120, y: 5 }, { x: -100, y: 5 }],
  ['turning does not', handle('turn'), { x: -500, y: 0 }, { x: -500, y: 0 }],
])('%s', (_, taken, by, wanted) => {
  const from = handlePlace(b, taken);
  const to = stoppedAtEdge(b, taken, from, { x: from.x + by.x, y: from.y + by.y }, page, 30);
  expect({ x: to.x - from.x, y: to.y - from.y }).toEqual(wanted);
});

test('what lies beyond an edge is not pulled in by being touched', () => {
  const beyond = box(-20, 200, 60, 260);
  const from = boxCentre(beyond);
  expect(stoppedAtEdge(beyond, MOVE, from, { x: from.x + 3, y: from.y }, page, 30).x).toBe(
    from.x + 3,
  );
  expect(stoppedAtEdge(beyond, MOVE, from, { x: from.x - 9, y: from.y }, page, 30).x).toBe(from.x);
});
