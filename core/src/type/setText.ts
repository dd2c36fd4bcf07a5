/// <reference path="./libraries.d.ts" />
import bidiFactory from 'bidi-js';
import LineBreaker from 'linebreak';
import { type Matrix, moveBy, thenMatrix } from '../geometry/index.ts';
import { faceOfScript } from './chooseFaces.ts';
import type { Face, Fonts } from './face.ts';
import type { FaceName } from './faces.ts';
import type { GlyphRun, PlacedGlyph } from './glyphRun.ts';

export interface TextStyle {
  readonly face: FaceName;
  /** Points. */
  readonly size: number;
  /** From baseline to baseline, of the size. */
  readonly leading?: number;
  /** To which side lines stand; `start` is where reading begins. */
  readonly align?: 'start' | 'centre' | 'end';
  /** By the first letter of each paragraph when left out. */
  readonly direction?: 'ltr' | 'rtl';
}

/** A line of set text: its runs, left to right, with their own places. */
export interface SetLine {
  readonly runs: readonly GlyphRun[];
  readonly width: number;
  /** Distance of the baseline from the top of the text, points. */
  readonly baseline: number;
  /** Which characters of the text stand on it. */
  readonly from: number;
  readonly to: number;
}

/** Text set in lines from its top left corner (origin), y up: what is drawn has negative y. */
export interface SetText {
  readonly lines: readonly SetLine[];
  /** The widest line. */
  readonly width: number;
  readonly height: number;
  /** Characters that no loaded face has. */
  readonly missing: readonly string[];
}

/** From baseline to baseline where nothing else is said, of the size. */
const LEADING = 1.3;

/** A character with the marks and joiners that follow it. */
const CLUSTER = /\P{M}[\p{M}\u200d]*|\p{M}+/gsu;
const last = <T>(all: readonly T[]): T | undefined => all[all.length - 1];

const bidi = bidiFactory();
/** On the grid that copies are written on. */
const onGrid = (x: number): number => Math.round(x * 100) / 100;

/** A stretch of one face and one direction. */
interface Stretch {
  readonly face: FaceName;
  readonly level: number;
  readonly from: number;
  readonly to: number;
}

/**
 * Sets text in lines no wider than `width` points (one line a paragraph where that is infinite): right to left where the
 * script is, kerned, with ligatures. A word wider than that stands out over the end.
 */
export function setText(text: string, style: TextStyle, width: number, fonts: Fonts): SetText {
  const setter = new Setter(text, style, fonts);
  const lines: SetLine[] = [];
  const { levels, paragraphs } = bidi.getEmbeddingLevels(text, style.direction);
  const levelOf = (at: number): number =>
    paragraphs.find(({ start, end }) => at >= start && at <= end)?.level ?? 0;
  const stretches = setter.stretches(levels);
  const step = style.size * (style.leading ?? LEADING);
  const { ascent, descent } = setter.metrics;
  const extra = (step - (ascent + descent)) / 2;
  for (const [from, to] of breakLines(text, width, (a, b) => setter.measure(stretches, a, b))) {
    const baseline = onGrid(lines.length * step + extra + ascent);
    lines.push({ ...setter.line(stretches, from, to), baseline, from, to });
  }
  const widest = Math.max(0, ...lines.map((line) => line.width));
  const room = Number.isFinite(width) ? width : widest;
  return {
    lines: lines.map((line) => placed(line, style, levelOf(line.from), room)),
    width: widest,
    height: lines.length * step,
    missing: setter.missing,
  };
}

/** A line moved to its side and its height. */
function placed(
  line: SetLine,
  { align = 'start' }: TextStyle,
  level: number,
  room: number,
): SetLine {
  const isLeft = (align === 'start') === (level % 2 === 0);
  const free = room - line.width;
  const x = align === 'centre' ? free / 2 : isLeft ? 0 : free;
  const by = moveBy({ x: onGrid(x), y: -line.baseline });
  return { ...line, runs: line.runs.map((run) => ({ ...run, place: thenMatrix(run.place, by) })) };
}

/** The same text with its top left corner at a place, or carried by a map. */
export const placeText = ({ lines }: Pick<SetText, 'lines'>, place: Matrix): GlyphRun[] =>
  lines.flatMap(({ runs }) => runs.map((run) => ({ ...run, place: thenMatrix(run.place, place) })));

/** Where each line begins and ends; breaks are where UAX #14 allows them. Ends do not count the spaces there. */
function breakLines(
  text: string,
  width: number,
  measure: (from: number, to: number) => number,
): [number, number][] {
  const lines: [number, number][] = [];
  const breaker = new LineBreaker(text);
  let from = 0;
  /** The last place where the line may end. */
  let end = 0;
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    const { position } = next;
    if (end > from && measure(from, trimmed(text, from, position)) > width) {
      lines.push([from, trimmed(text, from, end)]);
      from = end;
    }
    end = position;
    if (!/[\n\r\u2028\u2029\u000b\u000c\u0085]/.test(text[position - 1])) continue;
    lines.push([from, trimmed(text, from, position)]);
    from = position;
  }
  if (from < text.length || text === '' || /[\n\r\u2028\u2029]$/.test(text))
    lines.push([from, trimmed(text, from, text.length)]);
  return lines;
}

function trimmed(text: string, from: number, to: number): number {
  let end = to;
  while (end > from && /\s/.test(text[end - 1])) end--;
  return end;
}

class Setter {
  private readonly lost = new Set<string>();
  private readonly widths = new Map<string, number>();

  constructor(
    private readonly text: string,
    private readonly style: TextStyle,
    private readonly fonts: Fonts,
  ) {}

  get missing(): readonly string[] {
    return [...this.lost];
  }

  /** Of the face that is wanted, points. */
  get metrics(): { ascent: number; descent: number } {
    const { face, size } = this.style;
    const { ascent = 0.95, descent = 0.25 } = this.fonts.face(face) ?? {};
    return { ascent: ascent * size, descent: descent * size };
  }

  stretches(levels: Uint8Array): Stretch[] {
    const { text } = this;
    const out: { face: FaceName; level: number; from: number; to: number }[] = [];
    for (const [cluster] of text.matchAll(CLUSTER)) {
      const at = last(out)?.to ?? 0;
      const level = levels[at];
      const face = this.faceOf(cluster, last(out)?.face);
      const before = last(out);
      if (before && before.face === face && before.level === level) before.to += cluster.length;
      else out.push({ face, level, from: at, to: at + cluster.length });
    }
    return out;
  }

  /** A letter and its marks stand in one face; spaces and signs stay with the face before them, where it has them. */
  private faceOf(cluster: string, before: FaceName | undefined): FaceName {
    const { face: wanted } = this.style;
    if (/^[\n\r\t]/.test(cluster)) return before ?? wanted;
    const codePoints = [...cluster].map((char) => char.codePointAt(0) ?? 0);
    const own = faceOfScript(codePoints[0], wanted);
    const joins = before && /^[\p{Cf}\s]/u.test(cluster);
    const names = joins ? [before, own, wanted, 'serif' as const] : [own, wanted, 'serif' as const];
    const has = (name: FaceName, some: readonly number[]): boolean => {
      const face = this.fonts.face(name);
      return face !== null && some.every((codePoint) => face.has(codePoint));
    };
    const whole = names.find((name) => has(name, codePoints));
    if (whole) return whole;
    const letter = names.find((name) => has(name, codePoints.slice(0, 1)));
    for (const char of cluster)
      if (!/\p{Cf}/u.test(char) && !has(letter ?? own, [char.codePointAt(0) ?? 0]))
        this.lost.add(char);
    return letter ?? own;
  }

  /** The parts of stretches between two characters. */
  private between(stretches: readonly Stretch[], from: number, to: number): Stretch[] {
    return stretches
      .filter((s) => s.from < to && s.to > from)
      .map((s) => ({ ...s, from: Math.max(s.from, from), to: Math.min(s.to, to) }));
  }

  private shaped(face: Face, { from, to, level }: Stretch): ReturnType<Face['shape']> {
    const raw = this.text.slice(from, to).replace(/[\t\n\r]/g, ' ');
    const isRightToLeft = level % 2 === 1;
    const mirrored = isRightToLeft
      ? [...raw].map((c) => bidi.getMirroredCharacter(c) ?? c).join('')
      : raw;
    return face.shape(mirrored, isRightToLeft);
  }

  /** Points from the first to the last glyph of what stands between two characters, word by word. */
  measure(stretches: readonly Stretch[], from: number, to: number): number {
    let sum = 0;
    for (const part of this.between(stretches, from, to)) {
      const face = this.fonts.face(part.face);
      if (!face) continue;
      const words = this.text.slice(part.from, part.to).match(/\s+|\S+/g) ?? [];
      let at = part.from;
      for (const word of words) {
        const key = `${part.face} ${part.level % 2} ${word}`;
        let width = this.widths.get(key);
        if (width === undefined) {
          const stretch = { ...part, from: at, to: at + word.length };
          width = this.shaped(face, stretch).reduce((w, g) => w + g.advance, 0);
          this.widths.set(key, width);
        }
        sum += width;
        at += word.length;
      }
    }
    return sum * this.style.size;
  }

  /** The runs of a line from left to right, at height 0. */
  line(stretches: readonly Stretch[], from: number, to: number): Pick<SetLine, 'runs' | 'width'> {
    const { size } = this.style;
    let x = 0;
    const runs: GlyphRun[] = [];
    for (const part of reordered(this.between(stretches, from, to))) {
      const face = this.fonts.face(part.face);
      if (!face) continue;
      let width = 0;
      const glyphs = this.shaped(face, part).map(({ id, text, advance, dx, dy }): PlacedGlyph => {
        const glyph = { id, text, x: onGrid((width + dx) * size), y: onGrid(dy * size) };
        width += advance;
        return glyph;
      });
      runs.push({
        face: part.face,
        size,
        place: moveBy({ x: onGrid(x), y: 0 }),
        glyphs,
        width: width * size,
        ascent: face.ascent * size,
        descent: face.descent * size,
        text: this.text.slice(part.from, part.to),
        rightToLeft: part.level % 2 === 1,
      });
      x += width * size;
    }
    return { runs, width: x };
  }
}

/** From left to right (UAX #9, rule L2): from the highest level down, what is not lower is turned round. */
function reordered(parts: readonly Stretch[]): Stretch[] {
  const row = [...parts];
  const levels = row.map(({ level }) => level);
  const highest = Math.max(0, ...levels);
  for (let level = highest; level > 0; level--)
    for (let i = 0; i < row.length; i++) {
      let end = i;
      while (end < row.length && row[end].level >= level) end++;
      if (end > i) row.splice(i, end - i, ...row.slice(i, end).reverse());
      i = Math.max(i, end);
    }
  return row;
}
