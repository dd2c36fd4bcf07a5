import type { EquationOutline } from '../equations/index.ts';
import type { Family } from './faces.ts';

/** How letters look. */
export interface LetterStyle {
  readonly family: Family;
  /** Points. */
  readonly size: number;
  readonly bold: boolean;
  readonly italic: boolean;
  readonly underline: boolean;
  /** `#rrggbb` in sRGB. */
  readonly colour: string;
}

/** A stretch of text of one look. */
export interface Span {
  readonly text: string;
  readonly style: LetterStyle;
}

/** To which side lines stand; `start` is where reading begins. */
export const ALIGNMENTS = ['start', 'centre', 'end'] as const;
export type Alignment = (typeof ALIGNMENTS)[number];

/** What can stand before each paragraph of a block. */
export const LISTS = ['bullets', 'numbers'] as const;
export type List = (typeof LISTS)[number];

/** TeX that stands between dollar signs in a text, as it was set. */
export interface BlockEquation {
  readonly tex: string;
  readonly outline: EquationOutline;
}

/** Text as a person means it: what of it stands on which line follows from the faces. */
export interface TextBlock {
  readonly spans: readonly Span[];
  /** Lines are no wider, points. */
  readonly width: number;
  readonly align: Alignment;
  /** So far in the first line begins, points. */
  readonly indent?: number;
  /** From baseline to baseline, of the size. */
  readonly leading: number;
  /** Each letter stands in the middle of a cell of this width, points; as wide as it is when left out. */
  readonly cell?: number;
  /** What stands before each of its paragraphs; nothing when left out. */
  readonly list?: List;
  /** It is no higher, points: its letters are as much smaller as that takes. */
  readonly fit?: number;
  /** What of it is drawn as equations; what is not among them is text, dollar signs and all. */
  readonly equations?: readonly BlockEquation[];
}

/** What a block says. */
export const textOfSpans = (spans: readonly Span[]): string =>
  spans.map(({ text }) => text).join('');
