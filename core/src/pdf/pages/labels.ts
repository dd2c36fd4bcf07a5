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

/** How a page is labelled (ISO 32000-1 §12.4.2). */
interface Label {
  /** D, R, r, A, a; null when it has no number. */
  readonly style: string | null;
  readonly prefix: string;
  readonly number: number;
}

const LABELS = PDFName.of('PageLabels');
/** Deeper number trees are damage. */
const DEEPEST = 32;
/** Letters and Roman numbers grow with what they count: what a damaged file counts beyond this is written in digits. */
const MOST_SPELLED = 4_999;

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
function readLabels(doc: PDFDocument, count: number): Label[] | null {
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

const ROMAN: readonly (readonly [number, string])[] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

function roman(n: number): string {
  let rest = n;
  let out = '';
  for (const [value, sign] of ROMAN) for (; rest >= value; rest -= value) out += sign;
  return out;
}

/** a … z, aa … zz: the letter again for every round (ISO 32000-1, table 159). */
const letters = (n: number): string =>
  String.fromCharCode(97 + ((n - 1) % 26)).repeat(Math.floor((n - 1) / 26) + 1);

/** A label as it is read. */
export function spell({ style, prefix, number }: Label): string {
  const n = Math.max(1, number);
  if (style !== null && n > MOST_SPELLED) return `${prefix}${n}`;
  switch (style) {
    case 'D':
      return `${prefix}${number}`;
    case 'R':
      return prefix + roman(n).toUpperCase();
    case 'r':
      return prefix + roman(n);
    case 'A':
      return prefix + letters(n).toUpperCase();
    case 'a':
      return prefix + letters(n);
    default:
      return prefix;
  }
}

/** Pages put in after one with a number carry its label and a letter, as in print (common practice, no source). */
const putIn = (after: Label | null, nth: number): Label => ({
  style: 'a',
  prefix: after ? spell(after) : '',
  number: nth,
});

const follows = (a: Label, b: Label): boolean =>
  a.style === b.style && a.prefix === b.prefix && (b.style === null || b.number === a.number + 1);

/**
 * Keeps each page's label when pages come between others or change places. `from` tells for each page of the new order
 * which page it was, counted from 0; null for a page that was none. A document without labels gets none.
 */
export function keepLabels(
  doc: PDFDocument,
  count: number,
  from: readonly (number | null)[],
): void {
  const labels = readLabels(doc, count);
  if (!labels) return;
  let last: Label | null = null;
  let nth = 0;
  const all = from.map((page): Label => {
    if (page !== null) {
      nth = 0;
      return (last = labels[page]);
    }
    return putIn(last, ++nth);
  });
  const nums: PDFObject[] = [];
  all.forEach((label, i) => {
    if (i > 0 && follows(all[i - 1], label)) return;
    const range = doc.context.obj({ St: Math.max(1, label.number) }) as PDFDict;
    if (label.style) range.set(PDFName.of('S'), PDFName.of(label.style));
    if (label.prefix) range.set(PDFName.of('P'), PDFHexString.fromText(label.prefix));
    nums.push(PDFNumber.of(i), range);
  });
  doc.catalog.set(LABELS, doc.context.obj({ Nums: nums }));
}
