import { PDFArray, type PDFDict, PDFName, PDFNumber } from '@cantoo/pdf-lib';

/** Filters that give the bytes back as they were. */
export const LOSSLESS: ReadonlySet<string> = new Set([
  ...['FlateDecode', 'Fl', 'LZWDecode', 'LZW', 'RunLengthDecode', 'RL'],
  ...['ASCIIHexDecode', 'AHx', 'ASCII85Decode', 'A85'],
]);

/** The filters of a stream, in order. */
export function filtersOf(dict: PDFDict): string[] {
  const filter = dict.lookup(PDFName.of('Filter'));
  const names =
    filter instanceof PDFArray
      ? Array.from({ length: filter.size() }, (_, k) => filter.lookup(k))
      : [filter];
  return names.flatMap((name) => (name instanceof PDFName ? [name.decodeText()] : []));
}

/** A whole number that is said of a picture; 0 where none is. */
export function numberIn(dict: PDFDict, name: string): number {
  const value = dict.lookup(PDFName.of(name));
  return value instanceof PDFNumber ? Math.max(0, Math.trunc(value.asNumber())) : 0;
}
