/** Figures are told as ratios against a named reference in the same run, medians of several rounds. */
export interface Row {
  readonly what: string;
  readonly reference: string;
  /** ms */
  readonly ours: number;
  readonly theirs: number;
  readonly unit?: string;
}

/** The value below which a share of the values lies, 0–1; NaN of none. */
export const quantile = (values: readonly number[], share: number): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
};

export const median = (values: readonly number[]): number => quantile(values, 0.5);

/** Runs both in turn, so that a machine that drifts slows both alike. */
export async function inTurn(
  rounds: number,
  ours: () => Promise<number> | number,
  theirs: () => Promise<number> | number,
): Promise<{ ours: number; theirs: number }> {
  const a: number[] = [];
  const b: number[] = [];
  await ours();
  await theirs();
  for (let i = 0; i < rounds; i++) {
    a.push(await ours());
    b.push(await theirs());
  }
  return { ours: median(a), theirs: median(b) };
}

/** How long `work` takes, ms. */
export async function timed(work: () => unknown): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

const number = (n: number): string =>
  n >= 100 ? n.toFixed(0) : n >= 1 ? n.toFixed(1) : n.toPrecision(2);

export function tableOf(rows: readonly Row[]): string {
  return [
    '| what | ours | reference | its time | ratio |',
    '|---|---:|---|---:|---:|',
    ...rows.map(
      ({ what, reference, ours, theirs, unit = 'ms' }) =>
        `| ${what} | ${number(ours)} ${unit} | ${reference} | ${number(theirs)} ${unit} | ${number(ours / theirs)} |`,
    ),
  ].join('\n');
}
