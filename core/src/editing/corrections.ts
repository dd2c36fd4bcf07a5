import { type DocState, markChange, nextOrder, type Transaction } from '../document/index.ts';
import type { Vec } from '../geometry/index.ts';
import { asCorrection, CORRECTION_LEADING, type CorrectionMark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import { linesWithin, placeNear, type Print, type Quad, quadsOf, textOf } from '../print/index.ts';
import type { Family, LetterStyle } from '../type/index.ts';

/** A line of print that is to say something else. */
export interface PrintedLine {
  readonly was: string;
  readonly quad: Quad;
  /** Radians, anticlockwise. */
  readonly angle: number;
  /** Of its type, points. */
  readonly size: number;
}

/** Farther from a line than this none is meant, points. */
const REACH = 6;

/** The line of print at a place, in user space; null where there is none. */
export function printedLineAt(print: Print, at: Vec): PrintedLine | null {
  const place = placeNear(print, at, REACH);
  return place === null ? null : lineWith(print, place);
}

/** The line that a place of the text is on. */
export function lineWith(print: Print, place: number): PrintedLine | null {
  const [line] = linesWithin(print, { from: place, to: place + 1 });
  if (!line) return null;
  const [quad] = quadsOf(print, line);
  return { was: textOf(print, line), quad, angle: line.angle, size: line.size };
}

/** The corrections that lie on a line already. */
export const correctionOf = (state: DocState, page: PageId, { was, quad }: PrintedLine) =>
  [...(state.marks.get(page)?.values() ?? [])]
    .map(asCorrection)
    .find(
      (mark) =>
        mark?.was === was && Math.hypot(mark.quad[0].x - quad[0].x, mark.quad[0].y - quad[0].y) < 1,
    ) ?? null;

/** What fonts are called of which it is known whether they have serifs. */
const NAMED =
  /sans|helvet|arial|gothic|grotes|verdana|calibri|cmss|serif|times|roman|cmr|book|garamond|minion|georgia/i;

/** What a font's name and flags (ISO 32000-1 table 123) say of how it looks: the shipped face that comes nearest. */
export function looksLike(
  font: string,
  flags: number,
  weight: number,
): Pick<LetterStyle, 'family' | 'bold' | 'italic'> & { readonly isGuess: boolean } {
  const name = font.replace(/^[A-Z]{6}\+/, '');
  const says = (words: RegExp): boolean => words.test(name);
  const isMono = (flags & 1) !== 0 || says(/mono|courier|typewriter|consol|cmtt/i);
  const isSans =
    says(/sans|helvet|arial|gothic|grotes|verdana|calibri|cmss/i) ||
    ((flags & 2) === 0 && !says(/serif|times|roman|cmr|book|garamond|minion|georgia/i));
  const family: Family = isMono ? 'mono' : isSans ? 'sans' : 'serif';
  return {
    family,
    // What it is called says nothing of serifs: how wide it is may.
    isGuess: !isMono && (flags & 2) === 0 && !says(NAMED),
    bold: weight >= 600 || (flags & 262_144) !== 0 || says(/bold|black|heavy|cmbx|semib/i),
    italic: (flags & 64) !== 0 || says(/ital|obliq|slant|cmti|cmsl/i),
  };
}

export interface NewCorrection {
  readonly id: MarkId;
  readonly page: PageId;
  readonly line: PrintedLine;
  readonly says: string;
  readonly look: LetterStyle;
  /** Where the line begins on its baseline, in user space. */
  readonly baseline: Vec;
  /** How far the baseline of a line that is set lies below its head, and how long it is, points. */
  readonly set: { readonly below: number; readonly width: number };
  readonly stretch: number;
  /** Of the paper, `#rrggbb`. */
  readonly paper: string;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  readonly author?: string;
}

/** Puts a correction on a line of print, or makes one that is there say something else. */
export function correctPrint(state: DocState, asked: NewCorrection): Transaction | null {
  const { id, page, line, says, look, baseline, set, stretch, paper, madeAt, author } = asked;
  const before = correctionOf(state, page, line);
  const [up, side] = [Math.cos(line.angle), -Math.sin(line.angle)];
  const after: CorrectionMark = {
    ...{ kind: 'correction', id: before?.id ?? id, page },
    order: before?.order ?? nextOrder(state, page),
    style: { colour: look.colour, width: 1, opacity: 1 },
    madeAt: before?.madeAt ?? madeAt,
    ...(author ? { author } : {}),
    ...{ was: line.was, quad: line.quad, says, look, angle: line.angle, paper },
    at: { x: baseline.x + side * set.below, y: baseline.y + up * set.below },
    ...{ width: set.width, stretch },
  };
  if (before && JSON.stringify(before) === JSON.stringify(after)) return null;
  const label = says === '' ? 'Take words out of the print' : 'Correct the print';
  return { label, changes: [markChange(before, after)] };
}

/** Height of a line that is set, points. */
export const correctionHeight = ({ size }: LetterStyle): number => CORRECTION_LEADING * size;
