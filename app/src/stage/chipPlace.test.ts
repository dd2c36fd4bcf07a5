import { type Box, box, boxesMeet } from '@marginalis/core/geometry';
import fc from 'fast-check';
import { chipPlace } from './chipPlace';

const PAGE = 800;
const seen = box(-60, 100, 860, 700);
const chip = { width: 140, height: 44 };
const roomFor = (around: Box, ink: readonly Box[] = []) => ({
  around,
  size: chip,
  seen,
  ink,
  pageWidth: PAGE,
});

test.each([
  ['a word in mid line: above it', box(300, 400, 380, 430), { left: 300, top: 348 }],
  ['a line from the left margin: in the margin', box(103, 400, 500, 404), { left: -45, top: 380 }],
  [
    'at the head of the window: beside it, to the left',
    box(300, 110, 380, 140),
    { left: 152, top: 104 },
  ],
  ['there and at the left edge: to the right', box(20, 110, 90, 140), { left: 98, top: 104 }],
  ['at the right edge: above, within the window', box(790, 400, 830, 430), { left: 716, top: 348 }],
  ['as wide as the window, at its head: below', box(-60, 90, 860, 300), { left: -56, top: 308 }],
  ['as large as the window: over its head', box(-60, 90, 860, 720), { left: -56, top: 104 }],
])('%s', (_, around, place) => {
  expect(chipPlace(roomFor(around), 'right')).toEqual(place);
});

test('one that docks stands at the head of the window rather than over ink, and never over what it is about', () => {
  const around = box(300, 400, 380, 430);
  const ink = [box(-60, 330, 860, 500)];
  const docked = { ...roomFor(around, ink), docks: true };
  expect(chipPlace(docked, 'right')).toEqual({ left: 330, top: 104 });
  expect(chipPlace({ ...docked, docks: false }, 'right').top).toBeGreaterThan(300);
  expect(chipPlace({ ...roomFor(around), docks: true }, 'right')).toEqual({ left: 300, top: 348 });
  const high = { ...roomFor(box(-60, 110, 860, 140), ink), docks: true };
  expect(chipPlace(high, 'right')).toEqual({ left: -56, top: 148 });
});

const somewhere = fc
  .tuple(fc.integer({ min: 0, max: 760 }), fc.integer({ min: 100, max: 660 }))
  .chain(([x, y]) =>
    fc
      .tuple(fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 200 }))
      .map(([w, h]) => box(x, y, x + w, y + h)),
  );

test('it is in the window, mirrored for the other hand, and lies below only where nothing else has room', () => {
  fc.assert(
    fc.property(somewhere, (around) => {
      const { left, top } = chipPlace(roomFor(around), 'right');
      expect(left).toBeGreaterThanOrEqual(seen.minX);
      expect(left + chip.width).toBeLessThanOrEqual(seen.maxX);
      expect(top).toBeGreaterThanOrEqual(seen.minY);
      expect(top + chip.height).toBeLessThanOrEqual(seen.maxY);
      const hasRoom =
        around.minY - seen.minY > 60 ||
        around.minX - seen.minX > 160 ||
        seen.maxX - around.maxX > 160;
      if (hasRoom) expect(top).toBeLessThanOrEqual(Math.max(around.maxY, seen.minY + 4));
      const mirror = (b: typeof around) => box(PAGE - b.maxX, b.minY, PAGE - b.minX, b.maxY);
      expect(chipPlace({ ...roomFor(mirror(around)), seen: mirror(seen) }, 'left')).toEqual({
        left: PAGE - left - chip.width,
        top,
      });
    }),
  );
});

test('it covers what it is about only where that fills the window', () => {
  fc.assert(
    fc.property(somewhere, (around) => {
      const { left, top } = chipPlace(roomFor(around), 'right');
      const covers = boxesMeet(box(left, top, left + chip.width, top + chip.height), around);
      expect(covers).toBe(false);
    }),
  );
});

test('it keeps off what was written lately, where there is another place', () => {
  const around = box(300, 400, 380, 430);
  const above = box(290, 340, 600, 380);
  expect(chipPlace(roomFor(around, [above]), 'right')).toEqual({ left: 152, top: 393 });
  const line = box(100, 395, 290, 435);
  expect(chipPlace(roomFor(around, [above, line]), 'right')).toEqual({ left: 388, top: 393 });
  const everywhere = box(-60, 100, 860, 700);
  expect(chipPlace(roomFor(around, [everywhere]), 'right')).toEqual({ left: 300, top: 348 });
});

test('where every place hides something it is where the least is hidden; what is only touched hides nothing', () => {
  const line = box(-60, 380, 860, 410);
  // The question stands above, and touches what can be touched beneath.
  const [question, next] = [box(-60, 340, 860, 370), box(-60, 458, 860, 480)];
  const around = { ...roomFor(line, [question, next]) };
  expect(chipPlace(around, 'right').top).toBe(line.maxY + 8);
});
