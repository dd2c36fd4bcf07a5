const MINUTE = 60_000;
/** So often it is looked whether the clock goes evenly, ms. */
const EVERY = 10 * MINUTE;
/** By more than this it has been set, ms: corrections of running clocks are smaller. */
const SET = MINUTE;
/** After it has been set nothing goes for so long, ms. */
const WAIT = 24 * 60 * MINUTE;

/** Two clocks, ms: the one on the wall, and one that nobody sets. */
export interface Clocks {
  readonly wall: () => number;
  readonly even: () => number;
}

/**
 * Sweeps every ten minutes, by the clock on the wall, as long as that goes evenly: one that is wrong when the machine
 * starts, or is set, must not take with it what has not expired. Nothing expired is served meanwhile.
 * @returns what ends it
 */
export function startSweeping(
  sweep: (now: number) => void,
  { wall, even }: Clocks = { wall: Date.now, even: () => performance.now() },
): () => void {
  let last = { wall: wall(), even: even() };
  let notBefore = -Infinity;
  const timer = setInterval(() => {
    const now = { wall: wall(), even: even() };
    const apart = now.wall - last.wall - (now.even - last.even);
    last = now;
    if (Math.abs(apart) > SET) notBefore = now.even + WAIT;
    if (now.even >= notBefore) sweep(now.wall);
  }, EVERY);
  return () => clearInterval(timer);
}
