import fc from 'fast-check';
import { pageRefsFor } from '../../../testing/marks.ts';
import { boundsOf } from '../../derived/index.ts';
import { emptyDocument } from '../../document/index.ts';
import { carryTogether, emptyText } from '../../editing/index.ts';
import {
  boxOfPoints,
  distance,
  inPolygon,
  moveBy,
  plainPage,
  type Vec,
} from '../../geometry/index.ts';
import { FIRST_ROLL } from '../../marks/index.ts';
import {
  asText,
  cornersOfBox,
  fromMarkRecord,
  kindFor,
  leaderPoints,
  type TextMark,
  toMarkRecord,
} from '../index.ts';

const state = emptyDocument(pageRefsFor([plainPage(400, 600)]));
const callout = (to: Vec, angle = 0): TextMark =>
  emptyText(state, {
    id: 'c1',
    page: 'p0',
    instrument: { ...FIRST_ROLL[10], padding: 4 },
    at: { x: 200, y: 400 },
    angle,
    width: 92,
    pointsAt: to,
    madeAt: 1,
  });
const place = fc.record({
  x: fc.double({ min: -100, max: 500, noNaN: true }),
  y: fc.double({ min: -100, max: 700, noNaN: true }),
});

test('a line begins in the middle of the side that looks at its place', () => {
  const start = (x: number, y: number): Vec | undefined => leaderPoints(callout({ x, y }))?.[0];
  const middle = 400 - (callout({ x: 0, y: 0 }).height + 8) / 2;
  expect(start(100, 390)).toEqual({ x: 200, y: middle });
  expect(start(390, 390)).toEqual({ x: 300, y: middle });
  expect(start(250, 500)).toEqual({ x: 250, y: 400 });
  expect(start(250, 100)?.x).toBe(250);
  expect(leaderPoints(callout({ x: 250, y: 395 }))).toBeNull();
});

test('it never crosses its own box, wherever it points, bends and is turned', () => {
  fc.assert(
    fc.property(
      place,
      fc.option(place),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (to, bend, angle) => {
        const base = callout(to, angle);
        const mark = { ...base, leader: { to, bend, head: 7 } };
        const points = leaderPoints(mark);
        const box = cornersOfBox(mark);
        if (!points) return expect(inPolygon(box, to)).toBe(true);
        // The first stretch leaves the box at once: of what lies off its start nothing is inside.
        const [start, next] = points;
        for (const share of [0.02, 0.2, 0.5, 0.9]) {
          const at = {
            x: start.x + share * (next.x - start.x),
            y: start.y + share * (next.y - start.y),
          };
          if (distance(at, start) > 1e-3) expect(inPolygon(box, at)).toBe(false);
        }
      },
    ),
  );
});

test('a callout is stored, carried whole or with its box alone, and its line is within its bounds', () => {
  const mark = callout({ x: 50, y: 100 });
  expect(fromMarkRecord(JSON.parse(JSON.stringify(toMarkRecord(mark))))).toEqual(mark);
  expect(kindFor(mark).words(mark)).toMatchObject({ name: 'Callout', sort: 'callout' });
  const whole = asText(kindFor(mark).carry(mark, moveBy({ x: 10, y: 20 }), {}));
  expect(whole?.leader?.to).toEqual({ x: 60, y: 120 });
  const box = asText(carryTogether([mark], moveBy({ x: 10, y: 20 }))[0]);
  expect([box?.at, box?.leader?.to]).toEqual([
    { x: 210, y: 420 },
    { x: 50, y: 100 },
  ]);
  const { minX, minY } = boundsOf(mark);
  const tip = boxOfPoints([{ x: 50, y: 100 }]);
  expect(minX).toBeLessThan(tip.minX);
  expect(minY).toBeLessThan(tip.minY);
  expect(() => fromMarkRecord({ ...toMarkRecord(mark), leader: { to: 'there' } })).toThrow();
});
