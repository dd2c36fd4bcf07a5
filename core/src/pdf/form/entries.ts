import {
  decodePDFRawStream,
  PDFArray,
  PDFDict,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFRawStream,
  PDFString,
} from '@cantoo/pdf-lib';

/** Fields within fields that are looked into; deeper is damage. */
const DEEPEST = 32;
/** Characters of one text that are read. */
const LONGEST = 100_000;

/** A field and those around it, from itself outwards. */
export function withParents(dict: PDFDict): PDFDict[] {
  const line: PDFDict[] = [];
  for (let at: unknown = dict; at instanceof PDFDict && !line.includes(at);) {
    line.push(at);
    if (line.length >= DEEPEST) break;
    at = at.lookup(PDFName.of('Parent'));
  }
  return line;
}

/** An entry of a field that those around it may say for it (ISO 32000-1 §12.7.3.1). */
export function inherited(line: readonly PDFDict[], key: string): unknown {
  for (const dict of line) {
    const value = dict.lookup(PDFName.of(key));
    if (value !== undefined) return value;
  }
  return undefined;
}

/** What a text, a name or a stream of text says; null for everything else. */
export function textIn(value: unknown): string | null {
  if (value instanceof PDFString || value instanceof PDFHexString) return plain(value.decodeText());
  if (value instanceof PDFName) return plain(value.decodeText());
  if (value instanceof PDFRawStream) {
    const bytes = decodePDFRawStream(value).decode().subarray(0, LONGEST);
    return plain(Array.from(bytes, (b) => String.fromCharCode(b)).join(''));
  }
  return null;
}

const plain = (text: string): string =>
  text.slice(0, LONGEST).replace(/\r\n?/g, '\n').replaceAll('\u0000', '');

/** A value as texts: one, several, or none. */
export const textsIn = (value: unknown): string[] =>
  value instanceof PDFArray
    ? Array.from({ length: value.size() }, (_, k) => textIn(value.lookup(k))).flatMap((text) =>
        text === null ? [] : [text],
      )
    : [textIn(value)].flatMap((text) => (text === null ? [] : [text]));

export const numberIn = (value: unknown, otherwise: number): number =>
  value instanceof PDFNumber && Number.isFinite(value.asNumber()) ? value.asNumber() : otherwise;
