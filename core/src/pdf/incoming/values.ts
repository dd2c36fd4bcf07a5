import { type PDFDict, PDFHexString, PDFName, PDFNumber, PDFString } from '@cantoo/pdf-lib';
import { colourOfLevels, readPdfDate } from '../../annotations/index.ts';
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
  colourOfLevels(numbersAt(dict, key));
