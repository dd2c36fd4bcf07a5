import type { Remark } from '../document/index.ts';
import type { Drawing } from '../drawing/index.ts';
import { uniteBoxes } from '../geometry/index.ts';
import type { InkMark } from '../kinds/index.ts';
import { drawingOf, roughBoundsOf } from './drawingOf.ts';
import { plainRemark } from './remarkRuns.ts';

/** How wide the sheet is that a remark is written on, points; it grows downwards. */
export const REMARK_WIDTH = 270;
/** What stays free beneath the last line, points. */
const FOOT = 6;

/** What is written in a remark: drawn in the coordinates of its sheet (its head at y = 0, all below), and how high that is, points. Null where nothing is. */
export function writtenIn({
  ink = [],
}: Pick<Remark, 'ink'>): { readonly drawing: Drawing; readonly height: number } | null {
  if (ink.length === 0) return null;
  return { drawing: ink.flatMap((stroke: InkMark) => drawingOf(stroke)), height: heightOf(ink) };
}

const heightOf = (ink: readonly InkMark[]): number =>
  FOOT - ink.map((stroke) => roughBoundsOf(stroke)).reduce(uniteBoxes).minY;

/** A remark in plain words: without signs of emphasis, and where it is only written, that it is. */
export const remarkInWords = ({ text, ink }: Pick<Remark, 'text' | 'ink'>): string =>
  text === '' && ink ? 'Written with the pen' : plainRemark(text);
