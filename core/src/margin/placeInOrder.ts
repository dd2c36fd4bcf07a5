/** Something that wants to stand beside the page at a height; any unit, downwards. */
export interface Wanting {
  /** Where its head would be best. */
  readonly at: number;
  readonly height: number;
}

/**
 * Where the heads of things come to stand that keep their order and do not overlap: the sum of the squares of how far they are from where they would be
 * best is the smallest there is. Pool adjacent violators (R. E. Barlow et al., Statistical inference under order restrictions, 1972; from memory).
 * @param things in their order
 * @param gap between two of them
 * @param within where the first may begin and the last must end, as far as all have room there
 */
export function placeInOrder(
  things: readonly Wanting[],
  gap: number,
  within: { readonly from: number; readonly to: number } = { from: -Infinity, to: Infinity },
): number[] {
  /** How far each stands below the first when all stand as close as they may. */
  const below: number[] = [];
  let sum = 0;
  for (const { height } of things) {
    below.push(sum);
    sum += height + gap;
  }
  // What is left of the wish is to be a sequence that never goes up again: groups take their mean.
  const groups: { mean: number; count: number }[] = [];
  things.forEach(({ at }, k) => {
    let group = { mean: at - below[k], count: 1 };
    for (let last = groups.at(-1); last && last.mean > group.mean; last = groups.at(-1)) {
      groups.pop();
      const count = last.count + group.count;
      group = { mean: (last.mean * last.count + group.mean * group.count) / count, count };
    }
    groups.push(group);
  });
  const means = groups.flatMap(({ mean, count }) => Array<number>(count).fill(mean));
  const last = Math.max(within.from, within.to - (sum - gap));
  return means.map((mean, k) => Math.min(last, Math.max(within.from, mean)) + below[k]);
}
