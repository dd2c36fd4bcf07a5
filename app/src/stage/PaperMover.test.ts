import { invertMatrix, plainPage, transform, type Vec } from '@marginalis/core/geometry';
import fc from 'fast-check';
import { pageRefsFor } from '../../../core/testing/marks';
import { PaperMover, speedOf } from './PaperMover';
import { StageController } from './StageController';

let stage: StageController;
let mover: PaperMover;
let reduced: boolean;
/** What waits for the next frame. */
let frames: ((now: number) => void)[];
beforeEach(() => {
  reduced = false;
  frames = [];
  Object.assign(window, { matchMedia: () => ({ matches: reduced }) });
  jest.spyOn(window, 'requestAnimationFrame').mockImplementation((act) => frames.push(act));
  jest.spyOn(performance, 'now').mockReturnValue(0);
  stage = new StageController(pageRefsFor(Array.from({ length: 9 }, () => plainPage(595, 842))));
  stage.resize(800, 600);
  stage.goToPage(4);
  mover = new PaperMover(stage);
});
afterEach(() => jest.restoreAllMocks());

/** How far the paper goes on by itself. */
function glide(): number {
  frames = frames.slice(-1);
  const { y } = stage.getCamera();
  for (let now = 16; frames.length > 0 && now < 5_000; now += 16) frames.splice(0).at(-1)?.(now);
  return (stage.getCamera().y - y) * stage.getCamera().zoom;
}
/** A finger down for `ms`, moved up by `far` in steps of 10 ms. */
function flick(far: number, ms: number, rest = 0): void {
  mover.down(1, { x: 400, y: 500 }, 1_000);
  for (let t = 10; t <= ms; t += 10) mover.move(1, { x: 400, y: 500 - (far * t) / ms }, 1_000 + t);
  frames = [];
  mover.up(1, 1_000 + ms + rest);
}

test.each`
  what                                   | far    | ms     | rest   | from   | to
  ${'a flick goes on'}                   | ${200} | ${100} | ${5}   | ${400} | ${700}
  ${'a slow finger hardly does'}         | ${20}  | ${400} | ${5}   | ${0}   | ${20}
  ${'one that rests first stays there'}  | ${200} | ${100} | ${120} | ${0}   | ${1}
  ${'one moved in no time is held back'} | ${400} | ${10}  | ${0}   | ${500} | ${1_000}
`('$what', ({ far, ms, rest, from, to }) => {
  flick(far, ms, rest);
  const on = glide();
  expect(on).toBeGreaterThanOrEqual(from);
  expect(on).toBeLessThanOrEqual(to);
});

test('who asks for less movement gets no glide', () => {
  reduced = true;
  flick(200, 100);
  expect(glide()).toBe(0);
});

test.each([
  ['in one frame', 0],
  ['one a moment before the other', 30],
])('two fingers lifted %s leave the paper where it is', (_, between) => {
  mover.down(1, { x: 300, y: 300 }, 1_000);
  mover.down(2, { x: 500, y: 300 }, 1_000);
  for (let k = 1; k <= 10; k++) {
    mover.move(1, { x: 300 - 8 * k, y: 300 - 6 * k }, 1_000 + 8 * k);
    mover.move(2, { x: 500 + 8 * k, y: 300 - 6 * k }, 1_000 + 8 * k);
  }
  frames = [];
  mover.up(1, 1_080);
  mover.move(2, { x: 580, y: 240 }, 1_080 + between);
  mover.up(2, 1_080 + between);
  expect(frames).toEqual([]);
  // The next finger may glide again.
  flick(200, 100);
  expect(glide()).toBeGreaterThan(100);
});

test('what lies between two fingers stays between them, also when one is lifted', () => {
  const place = fc.record({
    x: fc.integer({ min: 250, max: 550 }),
    y: fc.integer({ min: 150, max: 450 }),
  });
  const apart = fc.tuple(place, place).filter(([a, b]) => Math.hypot(a.x - b.x, a.y - b.y) > 60);
  fc.assert(
    fc.property(fc.array(apart, { minLength: 2, maxLength: 12 }), ([first, ...more]) => {
      // A sheet whose ends are far away.
      const sheet = new StageController(pageRefsFor([plainPage(20_000, 20_000)]));
      sheet.resize(800, 600);
      sheet.zoomTo(2);
      sheet.showPlace(0, { x: 10_000, y: 10_000 });
      const fingers = new PaperMover(sheet);
      const onPaper = (at: Vec): Vec => transform(invertMatrix(sheet.userToView(0)), at);
      const apartFrom = (held: Vec, at: Vec): number => {
        const now = transform(sheet.userToView(0), held);
        return Math.hypot(now.x - at.x, now.y - at.y);
      };
      let [a, b] = first;
      const middle = (): Vec => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
      fingers.down(1, a, 0);
      fingers.down(2, b, 0);
      for (const [k, [nextA, nextB]] of more.entries()) {
        const held = onPaper(middle());
        fingers.move(1, (a = nextA), 10 * k + 10);
        fingers.move(2, (b = nextB), 10 * k + 10);
        expect(apartFrom(held, middle())).toBeLessThan(1);
      }
      const held = onPaper(b);
      fingers.up(1, 2_000);
      fingers.move(2, { x: b.x + 7, y: b.y - 9 }, 2_010);
      expect(apartFrom(held, { x: b.x + 7, y: b.y - 9 })).toBeLessThan(1);
    }),
  );
});

test('a finger that has come and gone has no speed', () => {
  expect(speedOf([{ at: { x: 5, y: 5 }, time: 10 }], 20)).toEqual({ x: 0, y: 0 });
  expect(speedOf([], 20)).toEqual({ x: 0, y: 0 });
});
