import { PDFArray, PDFDict, PDFName, PDFNumber, type PDFPage, PDFRef } from '@cantoo/pdf-lib';

const name = (text: string): PDFName => PDFName.of(text);
/** What an element says in place of what it holds (ISO 32000-1 §14.9). */
const SAID = ['ActualText', 'Alt', 'E', 'T'];
/** Elements that are looked at, and those within each other: more is made to run in circles. */
const MOST = 2_000_000;
const DEEPEST = 400;

/** Has the structure of a tagged file say nothing in place of sections of a page, by their numbers, nor in place of what holds them. */
export function forgetSections(page: PDFPage, sections: ReadonlySet<number>): void {
  const root = page.doc.catalog.lookup(name('StructTreeRoot'));
  if (sections.size === 0 || !(root instanceof PDFDict)) return;
  const { context } = page.doc;
  const seen = new Set<PDFDict>();
  /** Whether an element holds one of the sections. */
  const holds = (element: PDFDict, around: unknown, depth: number): boolean => {
    if (seen.has(element) || seen.size > MOST || depth > DEEPEST) return false;
    seen.add(element);
    const on = element.get(name('Pg')) ?? around;
    const kids = element.lookup(name('K'));
    let isHeld = false;
    for (const entry of kids instanceof PDFArray ? kids.asArray() : [kids]) {
      const kid = entry instanceof PDFRef ? context.lookup(entry) : entry;
      if (kid instanceof PDFNumber)
        isHeld = (on === page.ref && sections.has(kid.asNumber())) || isHeld;
      else if (kid instanceof PDFDict) {
        const id = kid.lookup(name('MCID'));
        if (id instanceof PDFNumber)
          isHeld =
            ((kid.get(name('Pg')) ?? on) === page.ref && sections.has(id.asNumber())) || isHeld;
        else isHeld = holds(kid, on, depth + 1) || isHeld;
      }
    }
    if (isHeld) for (const key of SAID) element.delete(name(key));
    return isHeld;
  };
  holds(root, undefined, 0);
}
