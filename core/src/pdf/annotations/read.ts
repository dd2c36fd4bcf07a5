import { PDFArray, type PDFDict, PDFName, PDFNumber } from '@cantoo/pdf-lib';
import { box, type Box } from '../../geometry/index.ts';

/** Annotation flags (ISO 32000-1 §12.5.3). */
const HIDDEN = 2;
const NO_VIEW = 32;

export const subtypeOf = (annotation: PDFDict): string => {
  const name = annotation.lookup(PDFName.of('Subtype'));
  return name instanceof PDFName ? name.decodeText() : '';
};

export function isShown(annotation: PDFDict): boolean {
  const flags = annotation.lookup(PDFName.of('F'));
  const bits = flags instanceof PDFNumber ? flags.asNumber() : 0;
  return (bits & (HIDDEN | NO_VIEW)) === 0;
}

/** The numbers of an array entry; empty where it is missing or holds anything else. */
export function numbersOf(value: unknown): number[] {
  if (!(value instanceof PDFArray)) return [];
  const out: number[] = [];
  for (let i = 0; i < value.size(); i++) {
    const item = value.lookup(i);
    if (!(item instanceof PDFNumber)) return [];
    out.push(item.asNumber());
  }
  return out;
}

export const numbersAt = (dict: PDFDict, key: string): number[] =>
  numbersOf(dict.lookup(PDFName.of(key)));

/** The annotation's rectangle with its corners in order; null when it has none. */
export function rectOf(annotation: PDFDict): Box | null {
  const [x0, y0, x1, y1] = numbersAt(annotation, 'Rect');
  if (y1 === undefined) return null;
  return box(Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1));
}
