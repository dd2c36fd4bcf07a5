import { PDFArray, PDFDict, PDFName, PDFNumber, PDFStream } from '@cantoo/pdf-lib';
import { IDENTITY, type Matrix, thenMatrix, transform, type Vec } from '../../geometry/index.ts';
import type { Edit } from './edits.ts';
import { latin1, type Operand, type PlacedOperation } from './operations.ts';
import type { ContentPass, PassTools } from './rewrite.ts';
import type { ShownFont, TextTrouble } from './shownFont.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** A letter is where its middle is, so far above its baseline, in sizes of type. */
const MIDDLE = 0.28;
/** Its core begins so far within its sides, in its widths, and ends where small letters do, in sizes of type. */
const CORE = 0.15;
const SMALL = 0.45;
/** All of it lies so far around: beside its width, beneath its baseline and above, in sizes of type. */
const OVER = 0.15;
const TAIL = 0.3;
const TOP = 1;

/** A letter that is shown. */
export interface ShownLetter {
  /** Where its middle is, in user space. */
  readonly middle: Vec;
  /** The corners of what surely is its own: within its sides, from the baseline up to where small letters end. All that letters may take which cannot be told apart. */
  readonly core: () => readonly Vec[];
  /** The corners of what all of it lies within, tails and slanted tops too, as a rule. */
  readonly whole: () => readonly Vec[];
  /** False for the first of letters that cannot be told from each other. */
  readonly isKnown: boolean;
}

/** Who asks for letters, and knows what they are shown with. */
export interface LetterReader extends PassTools<TextTrouble> {
  isGone(letter: ShownLetter): boolean;
  /** A section of marked content, by its number, of which something has gone. */
  touched?(id: number): void;
}

interface TextState {
  readonly font: PDFDict | null;
  readonly size: number;
  /** Between letters, and added to spaces, unscaled. */
  readonly letterGap: number;
  readonly wordGap: number;
  /** Of the width, 1 as it is. */
  readonly scale: number;
  readonly leading: number;
  readonly rise: number;
}

interface State {
  readonly ctm: Matrix;
  readonly text: TextState;
}

const PLAIN: TextState = {
  ...{ font: null, size: 0, letterGap: 0, wordGap: 0, scale: 1, leading: 0, rise: 0 },
};

/** A section of marked content that is open. */
interface Section {
  readonly operation: PlacedOperation;
  isTouched: boolean;
}

/** Takes letters out of a content stream. */
export class TextPass implements ContentPass {
  private state: State;
  private readonly saved: State[] = [];
  private line: Matrix = IDENTITY;
  private at: Matrix = IDENTITY;
  private readonly sections: Section[] = [];
  private readonly edits: Edit[] = [];
  private readonly resources: PDFDict | undefined;
  /** After letters that cannot be told apart it is not known where the next ones are, until their place is set. */
  private isLost = false;

  constructor(private readonly reader: LetterReader) {
    this.resources = reader.resources;
    this.state = { ctm: reader.base, text: PLAIN };
  }

  /** From the space of the content to user space. */
  get ctm(): Matrix {
    return this.state.ctm;
  }

  take(operation: PlacedOperation): void {
    const { operator, operands } = operation;
    const numbers = operands.flatMap((one) => (one.is === 'number' ? [one.value] : []));
    const [n = 0] = numbers;
    const { text } = this.state;
    const set = (part: Partial<TextState>): void => {
      this.state = { ...this.state, text: { ...text, ...part } };
    };
    switch (operator) {
      case 'q':
        this.saved.push(this.state);
        return;
      case 'Q':
        this.state = this.saved.pop() ?? this.state;
        return;
      case 'cm':
        if (numbers.length === 6)
          this.state = {
            ...this.state,
            ctm: thenMatrix(numbers as unknown as Matrix, this.state.ctm),
          };
        return;
      case 'BT':
        this.line = this.at = IDENTITY;
        this.isLost = false;
        return;
      case 'Tf':
        return set({ font: this.fontNamed(nameIn(operands)), size: n });
      case 'gs':
        return this.graphicsState(nameIn(operands));
      case 'Tc':
        return set({ letterGap: n });
      case 'Tw':
        return set({ wordGap: n });
      case 'Tz':
        return set({ scale: n / 100 });
      case 'TL':
        return set({ leading: n });
      case 'Ts':
        return set({ rise: n });
      case 'Td':
        return this.moveLine(n, numbers[1] ?? 0);
      case 'TD':
        set({ leading: -(numbers[1] ?? 0) });
        return this.moveLine(n, numbers[1] ?? 0);
      case 'Tm':
        if (numbers.length === 6) this.line = this.at = numbers as unknown as Matrix;
        this.isLost = false;
        return;
      case 'T*':
        return this.moveLine(0, -text.leading);
      case 'Tj':
      case 'TJ':
        return this.show(operation, '');
      case "'":
        this.moveLine(0, -text.leading);
        return this.show(operation, 'T* ');
      case '"':
        set({ wordGap: n, letterGap: numbers[1] ?? 0 });
        this.moveLine(0, -text.leading);
        return this.show(operation, `${rounded(n)} Tw ${rounded(numbers[1] ?? 0)} Tc T* `);
      case 'Do':
        return this.draw(operation);
      case 'BMC':
      case 'BDC':
        this.sections.push({ operation, isTouched: false });
        return;
      case 'EMC': {
        const section = this.sections.pop();
        if (section) this.close(section);
        return;
      }
    }
  }

  /** What is to be written otherwise. Sections that are left open are closed by the end. */
  end(): readonly Edit[] {
    for (const section of this.sections) this.close(section);
    return this.edits;
  }

  private moveLine(x: number, y: number): void {
    this.line = this.at = thenMatrix([1, 0, 0, 1, x, y], this.line);
    this.isLost = false;
  }

  private fontNamed(key: string | null): PDFDict | null {
    const fonts = this.resources?.lookup(name('Font'));
    const font = key !== null && fonts instanceof PDFDict ? fonts.lookup(name(key)) : null;
    return font instanceof PDFDict ? font : null;
  }

  /** A graphics state may name a font, too (§8.4.5). */
  private graphicsState(key: string | null): void {
    const states = this.resources?.lookup(name('ExtGState'));
    const held = key !== null && states instanceof PDFDict ? states.lookup(name(key)) : null;
    const entry = held instanceof PDFDict ? held.lookup(name('Font')) : null;
    if (!(entry instanceof PDFArray)) return;
    const [font, size] = [entry.lookup(0), entry.lookup(1)];
    if (!(font instanceof PDFDict) || !(size instanceof PDFNumber)) return;
    const { text } = this.state;
    this.state = { ...this.state, text: { ...text, font, size: size.asNumber() } };
  }

  private draw({ operands, from, to }: PlacedOperation): void {
    const key = nameIn(operands);
    const objects = this.resources?.lookup(name('XObject'));
    const form = key !== null && objects instanceof PDFDict ? objects.lookup(name(key)) : null;
    if (!(form instanceof PDFStream) || form.dict.lookup(name('Subtype')) !== name('Form')) return;
    const other = this.reader.remade(form, this.state.ctm);
    if (other === null) return;
    this.edits.push({ from, to, text: `/${this.reader.named('XObject', other)} Do` });
    this.touch();
  }

  /** Shows strings letter by letter; writes those anew of which some go. */
  private show(operation: PlacedOperation, before: string): void {
    const { text, ctm } = this.state;
    if (!text.font) return;
    const font = this.reader.fontOf(text.font);
    const list = operation.operands.at(-1);
    const pieces: readonly Operand[] = list?.is === 'array' ? list.value : list ? [list] : [];
    if (typeof font === 'string') return this.unknown(font, pieces);
    if (this.isLost) return this.unknown('widths', pieces);
    const out: string[] = [];
    let gone = 0;
    for (const piece of pieces) {
      if (piece.is === 'number') {
        this.advance((-piece.value / 1000) * text.size * text.scale);
        out.push(rounded(piece.value));
      } else if (piece.is === 'string') {
        const { written, taken } = this.letters(piece.value, font, text, ctm);
        out.push(...written);
        gone += taken;
      }
    }
    if (gone === 0) return;
    this.touch();
    this.edits.push({
      ...{ from: operation.from, to: operation.to },
      text: `${before}[${out.join(' ')}] TJ`,
    });
  }

  private letters(
    bytes: Uint8Array,
    font: ShownFont,
    text: TextState,
    ctm: Matrix,
  ): { readonly written: string[]; readonly taken: number } {
    const written: string[] = [];
    let kept: number[] = [];
    /** What goes is left as room: so far in text space. */
    let room = 0;
    let taken = 0;
    const flush = (): void => {
      if (kept.length > 0) written.push(`<${kept.map(hexOf).join('')}>`);
      if (room !== 0 && text.size !== 0)
        written.push(rounded((-1000 * room) / (text.size * text.scale)));
      [kept, room] = [[], 0];
    };
    for (let at = 0; at < bytes.length;) {
      const length = Math.max(1, font.codeLength(bytes, at));
      const own = bytes.subarray(at, at + length);
      const value = own.reduce((sum, b) => 256 * sum + b, 0);
      const width = font.width(value);
      // Word spacing is for the space of one byte alone (§9.3.3).
      const isSpace = length === 1 && value === 32;
      const step = (width * text.size + text.letterGap + (isSpace ? text.wordGap : 0)) * text.scale;
      const place = thenMatrix(this.at, ctm);
      const wide = width * text.size * text.scale;
      const middle = transform(place, { x: wide / 2, y: text.rise + MIDDLE * text.size });
      const core = (): Vec[] =>
        cornersOf(
          place,
          [CORE * wide, (1 - CORE) * wide],
          [text.rise, text.rise + SMALL * text.size],
        );
      const whole = (): Vec[] =>
        cornersOf(
          place,
          [-OVER * text.size, wide + OVER * text.size],
          [text.rise - TAIL * text.size, text.rise + TOP * text.size],
        );
      if (this.reader.isGone({ middle, core, whole, isKnown: true })) {
        if (kept.length > 0) flush();
        room += step;
        taken++;
      } else {
        if (room !== 0) flush();
        kept.push(...own);
      }
      this.advance(step);
      at += length;
    }
    flush();
    return { written, taken };
  }

  private advance(by: number): void {
    this.at = thenMatrix([1, 0, 0, 1, by, 0], this.at);
  }

  /** Where letters cannot be told apart, those of the whole line may be among the ones that are to go. */
  private unknown(trouble: TextTrouble, pieces: readonly Operand[]): void {
    const { text, ctm } = this.state;
    const place = thenMatrix(this.at, ctm);
    const middle = transform(place, { x: 0.25 * text.size, y: text.rise + MIDDLE * text.size });
    const bytes = pieces.reduce(
      (sum, one) => sum + (one.is === 'string' ? one.value.length : 0),
      0,
    );
    // Lines may run to either side, and downwards; no letter is wider than high, as a rule.
    const far = bytes * Math.abs(text.size) * Math.max(1, text.scale);
    const core = (): Vec[] => cornersOf(place, [-far, far], [-far, far]);
    if (this.reader.isGone({ middle, core, whole: core, isKnown: false }))
      this.reader.tell(trouble);
    this.isLost = true;
  }

  /** Something goes of every section that is open. */
  touch(): void {
    for (const section of this.sections) section.isTouched = true;
  }

  /** What a section says in place of its letters would still say what is gone; that it is one stays, and its number. */
  private close({ operation, isTouched }: Section): void {
    const { operator, operands, from, to } = operation;
    const properties = operands.at(-1);
    if (!isTouched || operator !== 'BDC') return;
    if (properties?.is === 'name') return this.tellOf(this.numberOf(properties.value));
    if (properties?.is !== 'dictionary') return;
    const said = latin1(properties.value);
    const number = /\/MCID\s+(\d+)/.exec(said)?.[1];
    this.tellOf(number === undefined ? null : Number(number));
    if (!/\/(ActualText|Alt|E)\b/.test(said)) return;
    const tag = nameIn(operands) ?? 'Span';
    const text = number === undefined ? `/${tag} BMC` : `/${tag} <</MCID ${number}>> BDC`;
    this.edits.push({ from, to, text });
  }

  private tellOf(id: number | null): void {
    if (id !== null) this.reader.touched?.(id);
  }

  /** Of properties that are named by the resources. */
  private numberOf(key: string): number | null {
    const held = this.resources?.lookup(name('Properties'));
    const named = held instanceof PDFDict ? held.lookup(name(key)) : null;
    const id = named instanceof PDFDict ? named.lookup(name('MCID')) : null;
    return id instanceof PDFNumber ? id.asNumber() : null;
  }
}

const cornersOf = (
  place: Matrix,
  [left, right]: readonly [number, number],
  [low, high]: readonly [number, number],
): Vec[] =>
  [
    { x: left, y: low },
    { x: right, y: low },
    { x: right, y: high },
    { x: left, y: high },
  ].map((corner) => transform(place, corner));

export const nameIn = (operands: readonly Operand[]): string | null => {
  const found = operands.find((one) => one.is === 'name');
  return found?.is === 'name' ? found.value : null;
};

const hexOf = (b: number): string => b.toString(16).padStart(2, '0');
/** As a file has numbers: never with an exponent. */
export const rounded = (n: number): string =>
  String(Math.round(1e5 * n) / 1e5).replace(/^(.*)e.*$/, '0');
