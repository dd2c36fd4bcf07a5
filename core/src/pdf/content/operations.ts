/** What stands before an operator. */
export type Operand =
  | { readonly is: 'number'; readonly value: number }
  | { readonly is: 'name'; readonly value: string }
  | { readonly is: 'string'; readonly value: Uint8Array }
  | { readonly is: 'array'; readonly value: readonly Operand[] }
  /** A dictionary, as it is written. */
  | { readonly is: 'dictionary'; readonly value: Uint8Array }
  | { readonly is: 'other' };

/** An operator of a content stream with its operands, and the bytes that they take. */
export interface PlacedOperation {
  readonly operator: string;
  readonly operands: readonly Operand[];
  /** The first byte of its first operand, and the one after the operator. */
  readonly from: number;
  readonly to: number;
  /** Of ID: the byte after the picture's data and EI. */
  readonly end?: number;
}

const code = (c: string): number => c.charCodeAt(0);
const WHITE = new Set([0, 9, 10, 12, 13, 32]);
const DELIMITERS = new Set([...'()<>[]{}/%'].map(code));
const isRegular = (b: number): boolean => !WHITE.has(b) && !DELIMITERS.has(b);
/** Deeper arrays are damage. */
const DEEPEST = 8;

/** Reads a decoded content stream (ISO 32000-1 §7.8.2). Damage is stepped over: what is not understood is skipped, and the end always comes. */
export function operationsOf(bytes: Uint8Array): PlacedOperation[] {
  return new Reader(bytes).all();
}

class Reader {
  private at = 0;

  constructor(private readonly bytes: Uint8Array) {}

  all(): PlacedOperation[] {
    const { bytes } = this;
    const found: PlacedOperation[] = [];
    let operands: Operand[] = [];
    let from = -1;
    for (;;) {
      this.skip();
      if (this.at >= bytes.length) return found;
      const start = this.at;
      const operand = this.operand(0);
      if (operand) {
        if (from < 0) from = start;
        operands.push(operand);
        continue;
      }
      const operator = this.word();
      if (operator === '') {
        this.at = Math.max(this.at, start + 1);
        continue;
      }
      const to = this.at;
      if (operator === 'ID') this.at = this.endOfInlineImage();
      found.push({
        ...{ operator, operands, from: from < 0 ? start : from, to },
        ...(operator === 'ID' ? { end: this.at } : {}),
      });
      [operands, from] = [[], -1];
    }
  }

  /** Over white space and comments. */
  private skip(): void {
    const { bytes } = this;
    while (this.at < bytes.length) {
      const b = bytes[this.at];
      if (WHITE.has(b)) this.at++;
      else if (b === code('%'))
        while (this.at < bytes.length && bytes[this.at] !== 10 && bytes[this.at] !== 13) this.at++;
      else return;
    }
  }

  /** Null where an operator begins, or what nothing begins with. */
  private operand(depth: number): Operand | null {
    const { bytes } = this;
    const b = bytes[this.at];
    if (b === code('(')) return { is: 'string', value: this.literal() };
    if (b === code('/')) {
      this.at++;
      return { is: 'name', value: named(this.word()) };
    }
    if (b === code('<'))
      return bytes[this.at + 1] === code('<')
        ? { is: 'dictionary', value: this.dictionary() }
        : { is: 'string', value: this.hex() };
    if (b === code('[')) return this.array(depth);
    if (!isRegular(b)) return null;
    const start = this.at;
    const text = this.word();
    const number =
      /^[+-]*\d*\.?\d*(-\d*)?$/.test(text) && /\d/.test(text)
        ? parseFloat(text.replace(/^[+-]*(?=[+-])/, ''))
        : NaN;
    if (!Number.isNaN(number)) return { is: 'number', value: number };
    if (text === 'true' || text === 'false' || text === 'null') return { is: 'other' };
    this.at = start;
    return null;
  }

  private word(): string {
    const { bytes } = this;
    const start = this.at;
    while (this.at < bytes.length && isRegular(bytes[this.at])) this.at++;
    let text = '';
    for (let k = start; k < Math.min(this.at, start + 256); k++)
      text += String.fromCharCode(bytes[k]);
    return text;
  }

  private array(depth: number): Operand {
    const { bytes } = this;
    const value: Operand[] = [];
    this.at++;
    for (;;) {
      this.skip();
      if (this.at >= bytes.length) break;
      if (bytes[this.at] === code(']')) {
        this.at++;
        break;
      }
      const start = this.at;
      const operand = depth < DEEPEST ? this.operand(depth + 1) : null;
      if (operand) value.push(operand);
      else if (this.at === start) {
        // A word within an array is damage, or a keyword.
        if (this.word() === '') this.at++;
      }
    }
    return { is: 'array', value };
  }

  /** A literal string (§7.3.4.2). */
  private literal(): Uint8Array {
    const { bytes } = this;
    const out: number[] = [];
    let depth = 0;
    for (; this.at < bytes.length; this.at++) {
      const b = bytes[this.at];
      if (b === code('\\')) {
        this.escaped(out);
        continue;
      }
      if (b === code('(') && depth++ === 0) continue;
      if (b === code(')') && --depth === 0) {
        this.at++;
        break;
      }
      if (b === 13) {
        // A line end is one byte, however it is written.
        if (bytes[this.at + 1] === 10) this.at++;
        out.push(10);
      } else out.push(b);
    }
    return Uint8Array.from(out);
  }

  private escaped(out: number[]): void {
    const { bytes } = this;
    const b = bytes[++this.at];
    const plain: Readonly<Record<string, number>> = { n: 10, r: 13, t: 9, b: 8, f: 12 };
    const c = String.fromCharCode(b ?? 0);
    if (c in plain) out.push(plain[c]);
    else if (c >= '0' && c <= '7') {
      let value = 0;
      for (let k = 0; k < 3; k++) {
        const digit = bytes[this.at + k] - 48;
        if (!(digit >= 0 && digit <= 7)) {
          this.at += k - 1;
          out.push(value & 255);
          return;
        }
        value = 8 * value + digit;
      }
      this.at += 2;
      out.push(value & 255);
    } else if (b === 13) {
      if (bytes[this.at + 1] === 10) this.at++;
    } else if (b !== undefined && b !== 10) out.push(b);
  }

  private hex(): Uint8Array {
    const { bytes } = this;
    const digits: number[] = [];
    for (this.at++; this.at < bytes.length; this.at++) {
      if (bytes[this.at] === code('>')) {
        this.at++;
        break;
      }
      const digit = parseInt(String.fromCharCode(bytes[this.at]), 16);
      if (!Number.isNaN(digit)) digits.push(digit);
    }
    const out = new Uint8Array(Math.ceil(digits.length / 2));
    out.forEach((_, k) => (out[k] = 16 * digits[2 * k] + (digits[2 * k + 1] ?? 0)));
    return out;
  }

  private dictionary(): Uint8Array {
    const { bytes } = this;
    const start = this.at;
    let depth = 0;
    while (this.at < bytes.length) {
      const [b, next] = [bytes[this.at], bytes[this.at + 1]];
      if (b === code('(')) this.literal();
      else if (b === code('<') && next === code('<')) {
        depth++;
        this.at += 2;
      } else if (b === code('<')) this.hex();
      else if (b === code('>') && next === code('>')) {
        this.at += 2;
        if (--depth === 0) break;
      } else this.at++;
    }
    return bytes.subarray(start, this.at);
  }

  /** After the data of an inline image: the first EI that stands alone. */
  private endOfInlineImage(): number {
    const { bytes } = this;
    for (let at = this.at; at + 2 < bytes.length; at++) {
      const isAlone = WHITE.has(bytes[at]) && (at + 3 >= bytes.length || !isRegular(bytes[at + 3]));
      if (isAlone && bytes[at + 1] === code('E') && bytes[at + 2] === code('I')) return at + 3;
    }
    return bytes.length;
  }
}

/** A name may have characters by their numbers (§7.3.5). */
const named = (word: string): string =>
  word.replace(/#([0-9a-f]{2})/gi, (_, digits: string) =>
    String.fromCharCode(parseInt(digits, 16)),
  );

/** Bytes as the characters of their numbers. */
export function latin1(bytes: Uint8Array): string {
  let text = '';
  for (const b of bytes) text += String.fromCharCode(b);
  return text;
}
