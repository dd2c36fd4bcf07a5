import {
  PDFDict,
  PDFName,
  type PDFObject,
  PDFNumber,
  PDFArray,
  type PDFPage,
  PDFStream,
} from '@cantoo/pdf-lib';
import { IDENTITY, type Matrix, thenMatrix, transform, type Vec } from '../../geometry/index.ts';
import { numbersOf } from '../annotations/read.ts';
import { latin1, type Operand, operationsOf, type PlacedOperation } from './operations.ts';
import { pageContent, streamBytes } from './pageContent.ts';
import { type FontTrouble, type ShownFont, shownFont } from './shownFont.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** Forms within forms; deeper ones run in circles. */
const DEEPEST = 12;
/** A letter is where its middle is, so far above its baseline, in sizes of type. */
const MIDDLE = 0.28;

/** A letter that is shown: where its middle is, in user space. */
export interface ShownLetter {
  readonly middle: Vec;
}

/** What became of letters that were to go. */
export interface TakenOut {
  /** Letters that are no longer in the content; spaces between them count. */
  readonly taken: number;
  /** Why some could not be told apart, and may be left. */
  readonly trouble: FontTrouble | null;
}

/**
 * Takes letters out of the content of a page, and of the forms it draws, so that nothing of them is left there; everything else stays byte for byte, and where
 * it is. What is written in place of a marked section's own letters (ActualText, §14.9.4) goes with them.
 * @param isGone asked of every letter
 */
export function takeTextOut(page: PDFPage, isGone: (letter: ShownLetter) => boolean): TakenOut {
  const walk = new Walk(page, isGone);
  const bytes = pageContent(page);
  const resources = page.node.Resources();
  const done = walk.content(bytes, resources, IDENTITY, 0);
  if (done) {
    const { context } = page.doc;
    page.node.set(name('Contents'), context.register(context.flateStream(done.bytes)));
    if (done.forms.size > 0) page.node.set(name('Resources'), withForms(resources, done.forms));
  }
  return { taken: walk.taken, trouble: walk.trouble };
}

function withForms(resources: PDFDict | undefined, forms: ReadonlyMap<string, PDFObject>): PDFDict {
  if (!resources) throw new RangeError('Forms are named by resources.');
  const own = resources.clone();
  const held = own.lookup(name('XObject'));
  const named = held instanceof PDFDict ? held.clone() : own.context.obj({});
  for (const [key, ref] of forms) named.set(name(key), ref);
  own.set(name('XObject'), named);
  return own;
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

interface Edit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** A section of marked content that is open. */
interface Section {
  readonly operation: PlacedOperation;
  isTouched: boolean;
}

class Walk {
  taken = 0;
  trouble: FontTrouble | null = null;
  private readonly fonts = new Map<PDFDict, ShownFont | FontTrouble>();
  private made = 0;

  constructor(
    private readonly page: PDFPage,
    private readonly isGone: (letter: ShownLetter) => boolean,
  ) {}

  /** The content without the letters, and forms that are drawn instead of others; null where nothing of it goes. */
  content(
    bytes: Uint8Array,
    resources: PDFDict | undefined,
    base: Matrix,
    depth: number,
  ): { readonly bytes: Uint8Array; readonly forms: ReadonlyMap<string, PDFObject> } | null {
    const edits: Edit[] = [];
    const forms = new Map<string, PDFObject>();
    const pass = new Pass(this, resources, base, edits, (form, ctm) => {
      const other = this.form(form, resources, ctm, depth);
      if (!other) return null;
      const key = `MarginalisForm${(this.made += 1)}`;
      forms.set(key, other);
      return key;
    });
    for (const operation of operationsOf(bytes)) pass.take(operation);
    pass.end();
    return edits.length === 0 ? null : { bytes: edited(bytes, edits), forms };
  }

  /** A form without the letters; null where none of its own goes. */
  private form(
    form: PDFStream,
    around: PDFDict | undefined,
    ctm: Matrix,
    depth: number,
  ): PDFObject | null {
    if (depth >= DEEPEST) return null;
    const bytes = streamBytes(form);
    if (!bytes) return null;
    const numbers = numbersOf(form.dict.lookup(name('Matrix')));
    const own = numbers.length === 6 ? (numbers as unknown as Matrix) : IDENTITY;
    const held = form.dict.lookup(name('Resources'));
    const resources = held instanceof PDFDict ? held : around;
    const done = this.content(bytes, resources, thenMatrix(own, ctm), depth + 1);
    if (!done) return null;
    const { context } = this.page.doc;
    const copy = context.flateStream(done.bytes);
    for (const [key, value] of form.dict.entries())
      if (!['Length', 'Filter', 'DecodeParms'].includes(key.decodeText()))
        copy.dict.set(key, value);
    if (done.forms.size > 0) copy.dict.set(name('Resources'), withForms(resources, done.forms));
    return context.register(copy);
  }

  fontOf(font: PDFDict): ShownFont | FontTrouble {
    let known = this.fonts.get(font);
    if (known === undefined) this.fonts.set(font, (known = shownFont(font)));
    return known;
  }

  goes(letter: ShownLetter): boolean {
    return this.isGone(letter);
  }
}

/** One reading of a content stream from its beginning to its end. */
class Pass {
  private state: State;
  private readonly saved: State[] = [];
  private line: Matrix = IDENTITY;
  private at: Matrix = IDENTITY;
  private readonly sections: Section[] = [];

  constructor(
    private readonly walk: Walk,
    private readonly resources: PDFDict | undefined,
    base: Matrix,
    private readonly edits: Edit[],
    private readonly drawn: (form: PDFStream, ctm: Matrix) => string | null,
  ) {
    this.state = { ctm: base, text: PLAIN };
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
        return this.show(operation, `${n} Tw ${numbers[1] ?? 0} Tc T* `);
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

  /** Sections that are left open are closed by the end. */
  end(): void {
    for (const section of this.sections) this.close(section);
    this.edits.sort((a, b) => a.from - b.from);
  }

  private moveLine(x: number, y: number): void {
    this.line = this.at = thenMatrix([1, 0, 0, 1, x, y], this.line);
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
    const other = this.drawn(form, this.state.ctm);
    if (other === null) return;
    this.edits.push({ from, to, text: `/${other} Do` });
    this.touch();
  }

  /** Shows strings letter by letter; writes those anew of which some go. */
  private show(operation: PlacedOperation, before: string): void {
    const { text, ctm } = this.state;
    if (!text.font) return;
    const font = this.walk.fontOf(text.font);
    if (typeof font === 'string') return this.unknown(font);
    const list = operation.operands.at(-1);
    const pieces: readonly Operand[] = list?.is === 'array' ? list.value : list ? [list] : [];
    const out: string[] = [];
    let gone = 0;
    for (const piece of pieces) {
      if (piece.is === 'number') {
        this.advance((-piece.value / 1000) * text.size * text.scale);
        out.push(String(piece.value));
      } else if (piece.is === 'string') {
        const { written, taken } = this.letters(piece.value, font, text, ctm);
        out.push(...written);
        gone += taken;
      }
    }
    if (gone === 0) return;
    this.walk.taken += gone;
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
      const middle = transform(thenMatrix(this.at, ctm), {
        x: (width * text.size * text.scale) / 2,
        y: text.rise + MIDDLE * text.size,
      });
      if (this.walk.goes({ middle })) {
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
  private unknown(trouble: FontTrouble): void {
    const { text, ctm } = this.state;
    const place = thenMatrix(this.at, ctm);
    const middle = transform(place, { x: 0.25 * text.size, y: text.rise + MIDDLE * text.size });
    if (this.walk.goes({ middle })) this.walk.trouble = trouble;
  }

  private touch(): void {
    for (const section of this.sections) section.isTouched = true;
  }

  /** What a section says in place of its letters would still say what is gone; that it is one stays, and its number. */
  private close({ operation, isTouched }: Section): void {
    const { operator, operands, from, to } = operation;
    const properties = operands.at(-1);
    if (!isTouched || operator !== 'BDC' || properties?.is !== 'dictionary') return;
    const said = latin1(properties.value);
    if (!/\/(ActualText|Alt|E)\b/.test(said)) return;
    const tag = nameIn(operands) ?? 'Span';
    const id = /\/MCID\s+(\d+)/.exec(said)?.[1];
    const text = id === undefined ? `/${tag} BMC` : `/${tag} <</MCID ${id}>> BDC`;
    this.edits.push({ from, to, text });
  }
}

const nameIn = (operands: readonly Operand[]): string | null => {
  const found = operands.find((one) => one.is === 'name');
  return found?.is === 'name' ? found.value : null;
};

const hexOf = (b: number): string => b.toString(16).padStart(2, '0');
const rounded = (n: number): string => String(Math.round(1000 * n) / 1000);

/** Bytes with parts of them written otherwise. */
function edited(bytes: Uint8Array, edits: readonly Edit[]): Uint8Array {
  const parts: Uint8Array[] = [];
  let at = 0;
  for (const { from, to, text } of edits) {
    parts.push(
      bytes.subarray(at, from),
      Uint8Array.from(` ${text} `, (c) => c.charCodeAt(0)),
    );
    at = to;
  }
  parts.push(bytes.subarray(at));
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let place = 0;
  for (const part of parts) {
    out.set(part, place);
    place += part.length;
  }
  return out;
}
