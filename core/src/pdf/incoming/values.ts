import { type PDFDict, PDFHexString, PDFName, PDFNumber, PDFString } from '@cantoo/pdf-lib';
import { readPdfDate } from '../../annotations/index.ts';
import { numbersAt } from '../annotations/read.ts';

/** Characters of one entry that are read; more has been made to harm. */
const LONGEST = 100_000;

/** Text of an entry; empty where there is none. */
export function textAt(dict: PDFDict, key: string): string {
  const value = dict.lookup(PDFName.of(key));
  if (!(value instanceof PDFString || value instanceof PDFHexString)) return '';
  return value.decodeText().slice(0, LONGEST).replace(/\r\n?/g, '\n').replaceAll('\u0000', '');
}

/** A name of an entry; empty where there is none. */
export function nameAt(dict: PDFDict, key: string): string {
  const value = dict.lookup(PDFName.of(key));
  return value instanceof PDFName ? value.decodeText() : '';
}

/** A number of an entry; null where there is none. */
export function numberAt(dict: PDFDict, key: string): number | null {
  const value = dict.lookup(PDFName.of(key));
  return value instanceof PDFNumber && Number.isFinite(value.asNumber()) ? value.asNumber() : null;
}

/** A date of an entry, milliseconds since 1970; null where there is none. */
export const dateAt = (dict: PDFDict, key: string): number | null => readPdfDate(textAt(dict, key));

/** A colour of an entry, `#rrggbb`: grey, RGB or CMYK by the count of its numbers; null where it is none. */
export const colourAt = (dict: PDFDict, key: string): string | null =>
  colourOf(numbersAt(dict, key));

/** The same of its numbers, 0–1. */
export function colourOf(numbers: readonly number[]): string | null {
  const rgb = rgbOf(numbers);
  if (!rgb) return null;
  const two = (share: number): string =>
    Math.round(255 * Math.min(1, Math.max(0, share)))
      .toString(16)
      .padStart(2, '0');
  return `#${rgb.map(two).join('')}`;
}

function rgbOf(c: readonly number[]): readonly number[] | null {
  if (c.length === 1) return [c[0], c[0], c[0]];
  if (c.length === 3) return c;
  // Without a profile (ISO 32000-1 §10.3.5).
  if (c.length === 4) return [0, 1, 2].map((k) => 1 - Math.min(1, c[k] + c[3]));
  return null;
}
