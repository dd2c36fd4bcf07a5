import {
  PDFDict,
  type PDFDocument,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFRef,
} from '@cantoo/pdf-lib';

const OUTLINES = PDFName.of('Outlines');
/** Longer rows of entries run in circles. */
const MOST = 100_000;

/** An outline, and the number by which its entries name it. */
export interface OutlineRoot {
  readonly dict: PDFDict;
  readonly ref: PDFRef;
}

/** The outline of a document; one that the catalogue holds itself gets a number. Null where there is none. */
export function outlineOf({ catalog, context }: PDFDocument): OutlineRoot | null {
  const dict = catalog.lookup(OUTLINES);
  if (!(dict instanceof PDFDict)) return null;
  const held = catalog.get(OUTLINES);
  if (held instanceof PDFRef) return { dict, ref: held };
  const ref = context.register(dict);
  catalog.set(OUTLINES, ref);
  return { dict, ref };
}

/** An entry, and what names it. */
export interface OutlineItem {
  readonly dict: PDFDict;
  readonly ref: PDFObject;
}

const [FIRST, LAST, NEXT, PREVIOUS, PARENT] = ['First', 'Last', 'Next', 'Prev', 'Parent'].map(
  (key) => PDFName.of(key),
);

/** The entries at the top of an outline, in order; with those beneath them, where `deep`. */
export function* entriesOf(
  { dict: root }: { dict: PDFDict },
  deep = false,
): Generator<OutlineItem> {
  const met = new Set<PDFDict>();
  const heads = [root];
  for (let head = heads.pop(); head; head = heads.pop()) {
    let [ref, dict] = [head.get(FIRST), head.lookup(FIRST)];
    while (dict instanceof PDFDict && ref && !met.has(dict) && met.size < MOST) {
      met.add(dict);
      if (deep) heads.push(dict);
      const [next, following] = [dict.get(NEXT), dict.lookup(NEXT)];
      yield { dict, ref };
      [ref, dict] = [next, following];
    }
  }
}

/** Makes these the entries beneath one, which is named by `ref`. */
export function chainEntries(
  parent: PDFDict,
  ref: PDFObject,
  entries: readonly OutlineItem[],
): void {
  const put = (dict: PDFDict, key: PDFName, value: PDFObject | undefined): void =>
    value ? dict.set(key, value) : void dict.delete(key);
  put(parent, FIRST, entries[0]?.ref);
  put(parent, LAST, entries.at(-1)?.ref);
  entries.forEach(({ dict }, k) => {
    put(dict, PREVIOUS, entries[k - 1]?.ref);
    put(dict, NEXT, entries[k + 1]?.ref);
    put(dict, PARENT, ref);
  });
}

/** How many entries are seen of an outline, or beneath an entry that is open. */
export function seenIn(dict: PDFDict): number {
  const count = dict.lookup(PDFName.of('Count'));
  return count instanceof PDFNumber ? Math.max(0, count.asNumber()) : 0;
}

/** Makes the outline of a document of several, whose entries it has one after the other. */
export function joinOutlines(doc: PDFDocument, outlines: readonly OutlineRoot[]): void {
  const [first, ...others] = outlines;
  if (!first) return;
  doc.catalog.set(OUTLINES, first.ref);
  if (others.length === 0) return;
  const entries = outlines.flatMap((outline) => [...entriesOf(outline)]);
  chainEntries(first.dict, first.ref, entries);
  const seen = entries.reduce((sum, { dict }) => sum + 1 + seenIn(dict), 0);
  first.dict.set(PDFName.of('Count'), PDFNumber.of(seen));
}
