import type { Token } from './tokens.ts';

/** Words that follow on each other and are found once in either edition are the same place. */
const SHINGLE = 3;
/** So many words that are the same stand by themselves, wherever they have come to; fewer only in their order. */
const STANDS = 6;
/** Between two places that are the same no more is compared word by word: so many times so many. */
const MOST_COMPARED = 400_000;

/**
 * Where each word of an edition is in another: its number there, or -1. Runs of words are found by threes that each edition has once, so that parts
 * that have changed places are found as well; between runs words are compared one by one (longest common subsequence).
 */
export function alignTokens(was: readonly Token[], is: readonly Token[]): Int32Array {
  const to = new Int32Array(was.length).fill(-1);
  const taken = new Uint8Array(is.length);
  const runs = inAgreement(runsOf(was, is));
  for (const { from, at, length } of runs)
    for (let k = 0; k < length; k++) {
      if (to[from + k] >= 0 || taken[at + k]) continue;
      to[from + k] = at + k;
      taken[at + k] = 1;
    }
  fillGaps(was, is, to, taken);
  return to;
}

interface Run {
  readonly from: number;
  readonly at: number;
  readonly length: number;
}

function runsOf(was: readonly Token[], is: readonly Token[]): Run[] {
  const [before, after] = [once(was), once(is)];
  const runs: Run[] = [];
  let end = 0;
  for (let i = 0; i + SHINGLE <= was.length; i++) {
    const run = runs.at(-1);
    if (run && i < end) {
      // Within a run that was found it leads nowhere else.
      const { from, at } = run;
      if (after.get(keyAt(was, i)) === at + i - from) continue;
    }
    const key = keyAt(was, i);
    const j = before.get(key) === i ? after.get(key) : undefined;
    if (j === undefined) continue;
    let [first, last] = [0, SHINGLE];
    while (i + first > 0 && j + first > 0 && isSame(was[i + first - 1], is[j + first - 1])) first--;
    while (i + last < was.length && j + last < is.length && isSame(was[i + last], is[j + last]))
      last++;
    runs.push({ from: i + first, at: j + first, length: last - first });
    end = i + last;
  }
  return runs;
}

const isSame = (a: Token, b: Token): boolean => a.text === b.text && a.running === b.running;

const keyAt = (tokens: readonly Token[], k: number): string =>
  `${tokens[k].text} ${tokens[k + 1].text} ${tokens[k + 2].text}`;

/** Where each three is that is there once. */
function once(tokens: readonly Token[]): Map<string, number> {
  const places = new Map<string, number>();
  for (let k = 0; k + SHINGLE <= tokens.length; k++) {
    if (tokens[k].running) continue;
    const key = keyAt(tokens, k);
    places.set(key, places.has(key) ? -1 : k);
  }
  for (const [key, k] of places) if (k < 0) places.delete(key);
  return places;
}

/** Short runs lie between the long ones that stand around them in either edition, or are an accident. */
function inAgreement(runs: readonly Run[]): Run[] {
  const long = runs.filter(({ length }) => length >= STANDS);
  const short = runs.filter(
    (run) => run.length < STANDS && (long.length === 0 || liesBetween(run, long)),
  );
  return [...long.sort((a, b) => b.length - a.length), ...short];
}

function liesBetween({ from, at, length }: Run, long: readonly Run[]): boolean {
  let before: Run | null = null;
  let after: Run | null = null;
  for (const run of long) {
    if (run.from < from && (!before || run.from > before.from)) before = run;
    if (run.from >= from + length && (!after || run.from < after.from)) after = run;
  }
  const follows = !before || at >= before.at + before.length - length;
  const precedes = !after || at <= after.at;
  return follows && precedes;
}

/** Words between two that are neighbours in both editions, and before the first and after the last. */
function fillGaps(
  was: readonly Token[],
  is: readonly Token[],
  to: Int32Array,
  taken: Uint8Array,
): void {
  let [lastFrom, lastAt] = [-1, -1];
  for (let i = 0; i <= was.length; i++) {
    const at = i === was.length ? is.length : to[i];
    if (at < 0) continue;
    if (i - lastFrom > 1 && at - lastAt > 1)
      compare(was, is, [lastFrom + 1, i], [lastAt + 1, at], to, taken);
    [lastFrom, lastAt] = [i, at];
  }
}

function compare(
  was: readonly Token[],
  is: readonly Token[],
  [from, end]: readonly [number, number],
  [at, until]: readonly [number, number],
  to: Int32Array,
  taken: Uint8Array,
): void {
  const [rows, columns] = [end - from, until - at];
  if (rows * columns > MOST_COMPARED) return;
  const width = columns + 1;
  const longest = new Uint16Array((rows + 1) * width);
  for (let i = rows - 1; i >= 0; i--)
    for (let j = columns - 1; j >= 0; j--) {
      const fits = isSame(was[from + i], is[at + j]) && !taken[at + j];
      longest[i * width + j] = fits
        ? longest[(i + 1) * width + j + 1] + 1
        : Math.max(longest[(i + 1) * width + j], longest[i * width + j + 1]);
    }
  for (let i = 0, j = 0; i < rows && j < columns;) {
    const fits = isSame(was[from + i], is[at + j]) && !taken[at + j];
    if (fits && longest[i * width + j] === longest[(i + 1) * width + j + 1] + 1) {
      to[from + i] = at + j;
      taken[at + j] = 1;
      i++;
      j++;
    } else if (longest[(i + 1) * width + j] >= longest[i * width + j + 1]) i++;
    else j++;
  }
}
