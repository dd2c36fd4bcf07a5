/** An operator of a content stream with what came before it. */
export interface Operation {
  readonly operator: string;
  /** Numbers before it, in order. */
  readonly numbers: readonly number[];
  /** The last name before it, without its slash. */
  readonly name: string | null;
  /** Bytes of strings before it. */
  readonly stringBytes: number;
}

const [REGULAR, WHITE, DELIMITER] = [0, 1, 2];
/** What each byte is: asked of every byte of a page. */
const SORTS = new Uint8Array(256);
for (const white of [0, 9, 10, 12, 13, 32]) SORTS[white] = WHITE;
for (const delimiter of '()<>[]{}/%') SORTS[delimiter.charCodeAt(0)] = DELIMITER;
/** Names may have 127 bytes (ISO 32000-1, annex C); what is longer by far is none. */
const LONGEST_WORD = 4096;
const isRegular = (b: number): boolean => SORTS[b] === REGULAR;
const isWhite = (b: number): boolean => SORTS[b] === WHITE;
const code = (c: string): number => c.charCodeAt(0);
const [OPEN, CLOSE, BACKSLASH, LESS, MORE, SLASH, PERCENT] = [...'()\\<>/%'].map(code);

/**
 * Walks a decoded content stream (ISO 32000-1 §7.8.2) and calls `visit` for every operator.
 * Damage is stepped over: what is not understood is skipped, and the end always comes.
 */
export function scanContent(bytes: Uint8Array, visit: (operation: Operation) => void): void {
  let at = 0;
  let numbers: number[] = [];
  let name: string | null = null;
  let stringBytes = 0;
  const clear = (): void => {
    numbers = [];
    name = null;
    stringBytes = 0;
  };
  const word = (): string => {
    const start = at;
    while (at < bytes.length && isRegular(bytes[at])) at++;
    // Longer ones are damage, or data: no operator, name or number.
    if (at - start > LONGEST_WORD) return '';
    // Most are short: an operator, or a digit.
    if (at - start === 1) return String.fromCharCode(bytes[start]);
    if (at - start === 2) return String.fromCharCode(bytes[start], bytes[start + 1]);
    return String.fromCharCode(...bytes.subarray(start, at));
  };

  while (at < bytes.length) {
    const b = bytes[at];
    if (isWhite(b)) at++;
    else if (b === PERCENT) at = endOfLine(bytes, at);
    else if (b === OPEN) {
      const end = endOfString(bytes, at);
      stringBytes += end - at - 2;
      at = end;
    } else if (b === LESS && bytes[at + 1] !== LESS) {
      const end = bytes.indexOf(MORE, at);
      const stop = end < 0 ? bytes.length : end + 1;
      stringBytes += Math.max(0, (stop - at - 2) / 2);
      at = stop;
    } else if (b === SLASH) {
      at++;
      name = word();
    } else if (!isRegular(b)) at++;
    else {
      const text = word();
      const value = Number(text);
      if (text !== '' && !Number.isNaN(value)) numbers.push(value);
      else {
        visit({ operator: text, numbers, name, stringBytes });
        clear();
        if (text === 'ID') at = endOfInlineImage(bytes, at);
      }
    }
  }
}

function endOfLine(bytes: Uint8Array, from: number): number {
  let at = from;
  while (at < bytes.length && bytes[at] !== 10 && bytes[at] !== 13) at++;
  return at;
}

function endOfString(bytes: Uint8Array, from: number): number {
  let depth = 0;
  let at = from;
  for (; at < bytes.length; at++) {
    if (bytes[at] === BACKSLASH) at++;
    else if (bytes[at] === OPEN) depth++;
    else if (bytes[at] === CLOSE && --depth === 0) return at + 1;
  }
  return at;
}

/** After the data of an inline image: the first EI that stands alone. */
function endOfInlineImage(bytes: Uint8Array, from: number): number {
  for (let at = from; at + 2 < bytes.length; at++) {
    const alone = isWhite(bytes[at]) && (at + 3 >= bytes.length || !isRegular(bytes[at + 3]));
    if (alone && bytes[at + 1] === code('E') && bytes[at + 2] === code('I')) return at + 3;
  }
  return bytes.length;
}
