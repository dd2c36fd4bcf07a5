import { percentEncoded, toBase64, utf8 } from '../../marks/index.ts';

const isPlain = (text: string): boolean => /^[\x20-\x7e]*$/.test(text);

/** Letters of a line break a header in two, and what comes after would be one of its own. */
const onOneLine = (text: string): string => text.replace(/[\x00-\x1f\x7f]+/g, ' ').trim();

/** Of an encoded word, bytes: with what is around them it stays below 75 letters (RFC 2047, 2). */
const WORD = 42;
/** Of a header that is written as it is, letters: with its name a line stays below 78 (RFC 5322, 2.1.1). */
const LINE = 60;

/** Text of a header as it is written there: as it is, or as encoded words (RFC 2047), folded. */
export function headerText(text: string): string {
  const line = onOneLine(text);
  if (isPlain(line) && !line.includes('=?') && line.length < LINE) return line;
  const words: string[] = [];
  let word = '';
  for (const letter of line) {
    if (utf8(word + letter).length > WORD) {
      words.push(word);
      word = '';
    }
    word += letter;
  }
  words.push(word);
  return words.map((w) => `=?utf-8?B?${toBase64(utf8(w))}?=`).join('\r\n ');
}

/** Of a parameter's piece, letters. */
const PIECE = 56;

/** A parameter of a header, in pieces on lines of their own where it is long or has letters that are not plain (RFC 2231). */
export function parameter(name: string, value: string): string {
  const line = onOneLine(value);
  if (/^[\w .,()-]*$/.test(line) && line.length < PIECE) return `;\r\n ${name}="${line}"`;
  const pieces: string[] = [''];
  // What encodeURIComponent leaves as it is, and a parameter does not.
  const encoded = percentEncoded(line).replace(
    /[!'()*]/g,
    (c) => `%${c.charCodeAt(0).toString(16).toUpperCase()}`,
  );
  for (const one of encoded.match(/%[0-9A-F]{2}|[^%]/g) ?? []) {
    if (pieces[pieces.length - 1].length + one.length > PIECE) pieces.push('');
    pieces[pieces.length - 1] += one;
  }
  return pieces
    .map((piece, k) => `;\r\n ${name}*${k}*=${k === 0 ? "utf-8''" : ''}${piece}`)
    .join('');
}
