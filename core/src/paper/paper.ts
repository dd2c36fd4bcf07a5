import { number, object, string } from 'yup';

/** What is printed on an empty page. */
export const PATTERNS = ['blank', 'ruled', 'squared', 'dotted', 'staved'] as const;
export type Pattern = (typeof PATTERNS)[number];

/** An empty page's print. */
export interface Ruling {
  readonly pattern: Pattern;
  /** From line to line (of a stave too), or dot to dot, points; of no account on a blank page. */
  readonly pitch: number;
}

const POINTS_PER_MM = 72 / 25.4;

/** What each pattern is called, and its usual pitch in millimetres. Exercise books: common practice, no source. */
export const PAPERS: Readonly<
  Record<Pattern, { readonly name: string; readonly pitchMm: number }>
> = {
  blank: { name: 'Blank', pitchMm: 5 },
  ruled: { name: 'Ruled', pitchMm: 8 },
  squared: { name: 'Squared', pitchMm: 5 },
  dotted: { name: 'Dotted', pitchMm: 5 },
  staved: { name: 'Staved', pitchMm: 1.75 },
};

export const usualRuling = (pattern: Pattern): Ruling => ({
  pattern,
  pitch: PAPERS[pattern].pitchMm * POINTS_PER_MM,
});

/** What a stored ruling must be. */
export const rulingShape = object({
  pattern: string()
    .strict()
    .oneOf([...PATTERNS])
    .required(),
  pitch: number().strict().min(4).max(1000).required(),
});
