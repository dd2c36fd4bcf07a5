import type { RawPrint } from './rawPrint.ts';

/** A part of a page as a tagged file tells it, with what it holds in reading order. */
export interface TaggedPart {
  /** Its standard structure type (ISO 32000-1, 14.8.4), such as "H1", "P" or "LI". */
  readonly type: string;
  /** What is told in its place to those who do not see it; empty where nothing is. */
  readonly alternative: string;
  /** Parts, and numbers of marked content (MCID). */
  readonly holds: readonly (number | TaggedPart)[];
}

/** The characters of a page and how a tagged file has them read. */
export interface TaggedPage {
  readonly raw: RawPrint;
  /** The number of the marked content that each character belongs to; −1 of none. */
  readonly marked: Int32Array;
  /** In reading order; empty where the file is not tagged. */
  readonly parts: readonly TaggedPart[];
}
