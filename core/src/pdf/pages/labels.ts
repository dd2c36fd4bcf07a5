import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFString,
} from '@cantoo/pdf-lib';
import { type Numbering, type NumberStyle, type Page, spellNumber } from '../../document/index.ts';

/** How a page is labelled (ISO 32000-1 §12.4.2). */
export interface Label {
  /** D, R, r, A, a; null when it has no number. */
  readonly style: string | null;
  readonly prefix: string;
  readonly number: number;
}

const LABELS = PDFName.of('PageLabels');
/** Deeper number trees are damage. */
const DEEPEST = 32;
/** The ranges of a number tree, by the page they begin at. */
function rangesIn(node: unknown, into: Map<number, PDFDict>, depth = 0): void {
  if (!(node instanceof PDFDict) || depth > DEEPEST) return;
  const nums = node.lookup(PDFName.of('Nums'));
  if (nums instanceof PDFArray)
    for (let i = 0; i + 1 < nums.size(); i += 2) {
      const [at, range] = [nums.lookup(i), nums.lookup(i + 1)];
      if (at instanceof PDFNumber && range instanceof PDFDict) into.set(at.asNumber(), range);
    }
  const kids = node.lookup(PDFName.of('Kids'));
  if (kids instanceof PDFArray)
    for (let i = 0; i < kids.size(); i++) rangesIn(kids.lookup(i), into, depth + 1);
}

function labelOf(range: PDFDict, past: number): Label {
  const style = range.lookup(PDFName.of('S'));
  const prefix = range.lookup(PDFName.of('P'));
  const start = range.lookup(PDFName.of('St'));
  const first = start instanceof PDFNumber ? Math.trunc(start.asNumber()) : 1;
  const isText = prefix instanceof PDFString || prefix instanceof PDFHexString;
  return {
    style: style instanceof PDFName ? style.decodeText() : null,
    prefix: isText ? prefix.decodeText() : '',
    number: (Number.isSafeInteger(first) ? first : 1) + past,
  };
}

/** The labels of a document's pages; null when it has none. */
export function readLabels(doc: PDFDocument, count: number): Label[] | null {
  const ranges = new Map<number, PDFDict>();
  rangesIn(doc.catalog.lookup(LABELS), ranges);
  if (ranges.size === 0) return null;
  let begun = 0;
  return Array.from({ length: count }, (_, page): Label => {
    if (ranges.has(page)) begun = page;
    const range = ranges.get(begun);
    return range ? labelOf(range, page - begun) : { style: 'D', prefix: '', number: page + 1 };
  });
}

/** Styles as files name them. */
const STYLES: Readonly<Record<string, NumberStyle>> = {
  D: 'digits',
  R: 'ROMAN',
  r: 'roman',
  A: 'LETTERS',
  a: 'letters',
};
const NAMES = new Map(Object.entries(STYLES).map(([name, style]) => [style, name]));

/** A label as it is read. */
export const spell = ({ style, prefix, number }: Label): string =>
  prefix + spellNumber(STYLES[style ?? ''] ?? 'none', number);

/** Pages put in after one with a number carry its label and a letter, as in print (common practice, no source). */
const putIn = (after: Label | null, nth: number): Label => ({
  style: 'a',
  prefix: after ? spell(after) : '',
  number: nth,
});

const follows = (a: Label, b: Label): boolean =>
  a.style === b.style && a.prefix === b.prefix && (b.style === null || b.number === a.number + 1);

/** What a page was: the number, from 0, and the labels of the document that it comes from, or null where that has none. */
export interface PageFrom {
  readonly index: number;
  readonly labels: readonly Label[] | null;
}

/**
 * Keeps each page's label when pages come between others or change places, also from other documents; null for a page that was none. Where none of these
 * has labels the document gets none; where some have, pages of the others are numbered as they stand.
 */
export function keepLabels(doc: PDFDocument, from: readonly (PageFrom | null)[]): void {
  if (!from.some((page) => page?.labels)) return void doc.catalog.delete(LABELS);
  let last: Label | null = null;
  let nth = 0;
  const all = from.map((page, k): Label => {
    if (!page) return putIn(last, ++nth);
    nth = 0;
    last = page.labels?.[page.index] ?? { style: 'D', prefix: '', number: k + 1 };
    return last;
  });
  writeLabels(doc, all);
}

/** @param begin pages with which a range begins, though it might be the one before that goes on */
function writeLabels(
  doc: PDFDocument,
  all: readonly Label[],
  begin: ReadonlySet<number> = new Set(),
): void {
  const nums: PDFObject[] = [];
  all.forEach((label, i) => {
    if (i > 0 && !begin.has(i) && follows(all[i - 1], label)) return;
    const range = doc.context.obj({ St: Math.max(1, label.number) }) as PDFDict;
    if (label.style) range.set(PDFName.of('S'), PDFName.of(label.style));
    if (label.prefix) range.set(PDFName.of('P'), PDFHexString.fromText(label.prefix));
    nums.push(PDFNumber.of(i), range);
  });
  doc.catalog.set(LABELS, doc.context.obj({ Nums: nums }));
}

/** Writes the numberings of a person's own into the labels of a copy: from the page on with which the first one begins. */
export function ownLabels(doc: PDFDocument, pages: readonly Page[]): void {
  const begins = pages.findIndex(({ numbering }) => numbering);
  if (begins < 0) return;
  const known = readLabels(doc, pages.length);
  let own: { readonly numbering: Numbering; readonly from: number } | null = null;
  const all = pages.map(({ numbering }, k): Label => {
    if (numbering) own = { numbering, from: k };
    if (!own) return known?.[k] ?? { style: 'D', prefix: '', number: k + 1 };
    const { style, prefix, first } = own.numbering;
    return { style: NAMES.get(style) ?? null, prefix, number: first + k - own.from };
  });
  writeLabels(doc, all, new Set(pages.flatMap(({ numbering }, k) => (numbering ? [k] : []))));
}
