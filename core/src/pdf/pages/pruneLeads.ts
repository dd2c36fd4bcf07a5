import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFName,
  PDFNumber,
  type PDFObject,
  type PDFPage,
} from '@cantoo/pdf-lib';
import { Destinations } from './destinations.ts';
import { chainEntries, type OutlineItem, outlineOf } from './outlineOf.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** Deeper outlines are damage. */
const DEEPEST = 64;

/**
 * Takes what leads to pages that are no longer there out of a document, so that nothing of what they are called is left: entries of its outline, but for those
 * with others beneath them that lead somewhere; names of places; links of the pages, which are theirs no more.
 * @returns links that led there
 */
export function pruneLeads(doc: PDFDocument, pages: readonly PDFPage[]): number {
  const destinations = new Destinations(doc, pages);
  const outline = outlineOf(doc);
  if (outline) {
    const kept = new Outline(destinations).pruned(outline.dict, outline.ref);
    if (kept === 0) doc.catalog.delete(name('Outlines'));
  }
  let links = 0;
  for (const { node } of pages) links += pruneLinks(node.lookup(name('Annots')), destinations);
  destinations.dropGone();
  return links;
}

/** A link that leads to a page that is gone leads nowhere; how many there are. */
function pruneLinks(annotations: unknown, destinations: Destinations): number {
  if (!(annotations instanceof PDFArray)) return 0;
  let pruned = 0;
  for (let i = 0; i < annotations.size(); i++) {
    const one = annotations.lookup(i);
    if (!(one instanceof PDFDict) || one.lookup(name('Subtype')) !== name('Link')) continue;
    if (!destinations.isGone(one)) continue;
    one.delete(name('Dest'));
    one.delete(name('A'));
    pruned += 1;
  }
  return pruned;
}

interface Entry extends OutlineItem {
  /** Entries beneath it that are seen when it is open. */
  readonly seen: number;
}

class Outline {
  /** Damaged outlines may run in circles. */
  private readonly met = new Set<PDFDict>();

  constructor(private readonly destinations: Destinations) {}

  /** Leaves the entries beneath `parent` that lead somewhere; how many are seen when it is open. */
  pruned(parent: PDFDict, ref: PDFObject, depth = 0): number {
    const kept: Entry[] = [];
    let at = parent.get(name('First'));
    let entry = parent.lookup(name('First'));
    while (at && entry instanceof PDFDict && !this.met.has(entry) && depth < DEEPEST) {
      this.met.add(entry);
      const [next, following] = [entry.get(name('Next')), entry.lookup(name('Next'))];
      const isOpen = isPositive(entry.lookup(name('Count')));
      const beneath = this.pruned(entry, at, depth + 1);
      const isGone = this.destinations.isGone(entry);
      if (isGone) for (const key of ['Dest', 'A', 'SE']) entry.delete(name(key));
      if (!isGone || beneath > 0) {
        setCount(entry, beneath, isOpen);
        kept.push({ ref: at, dict: entry, seen: isOpen ? beneath : 0 });
      }
      [at, entry] = [next, following];
    }
    chainEntries(parent, ref, kept);
    const all = kept.reduce((sum, { seen }) => sum + 1 + seen, 0);
    if (depth === 0) setCount(parent, all, true);
    return all;
  }
}

const isPositive = (count: unknown): boolean => count instanceof PDFNumber && count.asNumber() > 0;

/** Closed entries say how many would be seen, as less than nothing (ISO 32000-1, table 153). */
function setCount(entry: PDFDict, seen: number, isOpen: boolean): void {
  if (seen === 0) entry.delete(name('Count'));
  else entry.set(name('Count'), PDFNumber.of(isOpen ? seen : -seen));
}
