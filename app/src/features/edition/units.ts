import type { PlacedMark, Verdict } from '@marginalis/core/edition';

/** Marks that were carried as one. */
export interface Unit {
  readonly unit: number;
  readonly verdict: Verdict;
  readonly placed: readonly PlacedMark[];
}

const RANK: Readonly<Record<Verdict, number>> = { lost: 0, likely: 1, certain: 2 };

/** Marks by what they were carried with; those that are to be looked at first come first. */
export function unitsOf(placed: readonly PlacedMark[]): Unit[] {
  const units = new Map<number, PlacedMark[]>();
  for (const one of placed) units.set(one.unit, [...(units.get(one.unit) ?? []), one]);
  return [...units]
    .map(([unit, marks]) => ({ unit, verdict: marks[0].verdict, placed: marks }))
    .sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || a.unit - b.unit);
}
