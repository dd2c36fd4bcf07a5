import {
  applyTransaction,
  type DocState,
  markChange,
  nextOrder,
  type Transaction,
} from '../document/index.ts';
import type { Vec } from '../geometry/index.ts';
import { asCorrection, type CorrectionMark, type OwnLetters } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import { linesWithin, placeNear, type Print, type Quad, quadsOf, textOf } from '../print/index.ts';
import type { LetterStyle } from '../type/index.ts';

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

/** A line, and what the one above it says; nothing where it is the first. */
export interface LineFound {
  readonly line: PrintedLine;
  readonly after: string;
}

/** Lines that say the same as a line, in the same size and direction. */
export const linesLike = (print: Print, { was, angle, size }: PrintedLine): LineFound[] =>
  print.lines.flatMap((one, k) => {
    const line = textOf(print, one) === was ? lineWith(print, one.from) : null;
    const isAlike =
      line && Math.abs(line.angle - angle) < 0.01 && Math.abs(line.size - size) < 0.05 * size;
    return isAlike ? [{ line, after: k > 0 ? textOf(print, print.lines[k - 1]) : '' }] : [];
  });

/** A place beside a line as it is beside another that looks the same. */
export function besideLine(at: Vec, from: PrintedLine, to: PrintedLine): Vec {
  const [, , a] = from.quad;
  const [, , b] = to.quad;
  return { x: b.x + at.x - a.x, y: b.y + at.y - a.y };
}

/** The corrections that lie on a line already. */
export const correctionOf = (state: DocState, page: PageId, { was, quad }: PrintedLine) =>
  [...(state.marks.get(page)?.values() ?? [])]
    .map(asCorrection)
    .find(
      (mark) =>
        mark?.was === was && Math.hypot(mark.quad[0].x - quad[0].x, mark.quad[0].y - quad[0].y) < 1,
    ) ?? null;

/** What fonts without serifs, with serifs, and as of typewriters are called. */
const SANS = /sans|helvet|arial|gothic|grotes|verdana|calibri|cmss/i;
const SERIF = /serif|times|roman|cmr|book|garamond|minion|georgia/i;
const MONO = /mono|courier|typewriter|consol|cmtt/i;
/** Of a font descriptor (ISO 32000-1 table 123). */
const FLAGS = { fixed: 1, serif: 2, italic: 64, bold: 262_144 } as const;
/** From this weight on letters are bold. */
const BOLD = 600;

/** What a font's name and flags say of how it looks: the shipped face that comes nearest. */
export function looksLike(
  font: string,
  flags: number,
  weight: number,
): Pick<LetterStyle, 'family' | 'bold' | 'italic'> & { readonly isGuess: boolean } {
  // Before the name of a font of which the file has a part stand six letters.
  const name = font.replace(/^[A-Z]{6}\+/, '');
  const has = (flag: keyof typeof FLAGS): boolean => (flags & FLAGS[flag]) !== 0;
  const isMono = has('fixed') || MONO.test(name);
  const isSerif = !SANS.test(name) && (has('serif') || SERIF.test(name));
  return {
    family: isMono ? 'mono' : isSerif ? 'serif' : 'sans',
    // What it is called says nothing of serifs: how wide it is may.
    isGuess: !isMono && !has('serif') && !SANS.test(name) && !SERIF.test(name),
    bold: weight >= BOLD || has('bold') || /bold|black|heavy|cmbx|semib/i.test(name),
    italic: has('italic') || /ital|obliq|slant|cmti|cmsl/i.test(name),
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
  /** The print's own letters, where it is set in them; text in the face of `look` lies beneath them then. */
  readonly own?: OwnLetters;
  /** How far it is moved along its line and upwards, points. */
  readonly shift?: Vec;
  /** Of the paper, `#rrggbb`. */
  readonly paper: string;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  readonly author?: string;
}

const NOWHERE: Vec = { x: 0, y: 0 };

/** Puts corrections on lines of print in one step; null where none of them changes anything. */
export function correctLines(state: DocState, asked: readonly NewCorrection[]): Transaction | null {
  let [now, label] = [state, ''];
  const changes = asked.flatMap((one) => {
    const step = correctPrint(now, one);
    const applied = step && applyTransaction(now, step);
    if (!step || !applied?.ok) return [];
    [now, label] = [applied.state, step.label];
    return step.changes;
  });
  return changes.length > 0 ? { label, changes } : null;
}

/** Puts a correction on a line of print, or makes one that is there say something else. */
export function correctPrint(state: DocState, asked: NewCorrection): Transaction | null {
  const { id, page, line, says, look, baseline, set, stretch, paper, madeAt, author } = asked;
  const { shift = NOWHERE, own } = asked;
  const before = correctionOf(state, page, line);
  const [up, side] = [Math.cos(line.angle), -Math.sin(line.angle)];
  const after: CorrectionMark = {
    ...{ kind: 'correction', id: before?.id ?? id, page },
    order: before?.order ?? nextOrder(state, page),
    style: { colour: look.colour, width: 1, opacity: 1 },
    madeAt: before?.madeAt ?? madeAt,
    ...(author ? { author } : {}),
    ...{ was: line.was, quad: line.quad, says, look, angle: line.angle, paper },
    at: {
      x: baseline.x + side * (set.below + shift.y) + up * shift.x,
      y: baseline.y + up * (set.below + shift.y) - side * shift.x,
    },
    ...(shift.x !== 0 || shift.y !== 0 ? { shift } : {}),
    ...{ width: set.width, stretch },
    ...(own ? { own } : {}),
  };
  if (before && JSON.stringify(before) === JSON.stringify(after)) return null;
  const label = says === '' ? 'Take words out of the print' : 'Correct the print';
  return { label, changes: [markChange(before, after)] };
}
