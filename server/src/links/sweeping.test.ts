import { startSweeping } from './sweeping.ts';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;
const YEAR = 365 * DAY;

/** A wall clock that can be set, beside one that nobody sets. */
function clocks() {
  let set = 0;
  const even = (): number => Date.now();
  return { clocks: { even, wall: () => even() + set }, setBy: (ms: number) => void (set += ms) };
}

beforeEach(() => jest.useFakeTimers({ now: 1_760_000_000_000 }));
afterEach(() => jest.useRealTimers());

test('it sweeps every ten minutes while the clock goes evenly, and not at once', () => {
  const swept: number[] = [];
  const { clocks: both } = clocks();
  const began = both.wall();
  const stop = startSweeping((now) => swept.push(now - began), both);
  expect(swept).toEqual([]);
  jest.advanceTimersByTime(30 * MINUTE);
  expect(swept).toEqual([10, 20, 30].map((n) => n * MINUTE));
  stop();
  jest.advanceTimersByTime(DAY);
  expect(swept).toHaveLength(3);
});

test.each([YEAR, -YEAR, 2 * MINUTE])(
  'a clock that is set by %i ms takes nothing with it for a day',
  (by) => {
    const swept: number[] = [];
    const { clocks: both, setBy } = clocks();
    const stop = startSweeping((now) => swept.push(now), both);
    // As where a machine learns the time only when it stands.
    setBy(by);
    jest.advanceTimersByTime(DAY);
    expect(swept).toEqual([]);
    setBy(-by);
    jest.advanceTimersByTime(DAY);
    expect(swept).toEqual([]);
    jest.advanceTimersByTime(20 * MINUTE);
    expect(swept.length).toBeGreaterThan(0);
    expect(Math.max(...swept)).toBeLessThanOrEqual(both.even());
    stop();
  },
);

test('small corrections are no setting', () => {
  const swept: number[] = [];
  const { clocks: both, setBy } = clocks();
  const stop = startSweeping((now) => swept.push(now), both);
  for (let k = 0; k < 6; k++) {
    setBy(k % 2 === 0 ? 800 : -500);
    jest.advanceTimersByTime(10 * MINUTE);
  }
  expect(swept).toHaveLength(6);
  stop();
});
