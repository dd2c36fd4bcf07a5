import { number, object, string } from 'yup';

/** How pages are numbered. */
export const NUMBER_STYLES = ['digits', 'roman', 'ROMAN', 'letters', 'LETTERS', 'none'] as const;
export type NumberStyle = (typeof NUMBER_STYLES)[number];

/** A numbering of one's own, which begins with a page and goes on until another one begins. */
export interface Numbering {
  readonly style: NumberStyle;
  /** Stands before the number. */
  readonly prefix: string;
  /** Of the page it begins with, from 1. */
  readonly first: number;
}

export const LONGEST_PREFIX = 40;
/** Larger numbers are no page's. */
export const LARGEST_NUMBER = 99_999;

export const numberingShape = object({
  style: string()
    .strict()
    .oneOf([...NUMBER_STYLES])
    .required(),
  prefix: string().strict().defined().max(LONGEST_PREFIX),
  first: number().strict().integer().min(1).max(LARGEST_NUMBER).required(),
});

/** Letters and Roman numbers grow with what they count: what is counted beyond this is written in digits. */
const MOST_SPELLED = 4_999;

const ROMAN: readonly (readonly [number, string])[] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

function roman(n: number): string {
  let rest = n;
  let out = '';
  for (const [value, sign] of ROMAN) for (; rest >= value; rest -= value) out += sign;
  return out;
}

/** a … z, aa … zz: the letter again for every round (ISO 32000-1, table 159). */
const letters = (n: number): string =>
  String.fromCharCode(97 + ((n - 1) % 26)).repeat(Math.floor((n - 1) / 26) + 1);

/** A number as a page has it, from 1. */
export function spellNumber(style: NumberStyle, n: number): string {
  if (style === 'none') return '';
  const counted = Math.max(1, n);
  if (style === 'digits') return String(n);
  if (counted > MOST_SPELLED) return String(counted);
  const small = style === 'roman' || style === 'ROMAN' ? roman(counted) : letters(counted);
  return style === 'ROMAN' || style === 'LETTERS' ? small.toUpperCase() : small;
}

/** What the page is called that is so many pages past the one a numbering begins with. */
export const numberedName = ({ style, prefix, first }: Numbering, past: number): string =>
  prefix + spellNumber(style, first + past);
