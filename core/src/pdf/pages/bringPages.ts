import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFPage, PDFRef } from '@cantoo/pdf-lib';
import { ownEntries } from './arrange.ts';
import { PLACES } from './clonePage.ts';
import { Destinations, LEADING, type NamedPlace } from './destinations.ts';
import { bringLayers } from './layers.ts';
import { type Label, readLabels } from './labels.ts';
import { ObjectCopier } from './objectCopier.ts';
import { entriesOf, type OutlineRoot, outlineOf } from './outlineOf.ts';
import { pruneLeads } from './pruneLeads.ts';

const name = (text: string): PDFName => PDFName.of(text);

/** Pages of one document that stand in another by now, and what leads to them. */
export interface BroughtPages {
  /** By their numbers in their own document, from 0. They are in no page tree yet. */
  readonly pages: ReadonlyMap<number, PDFPage>;
  /** Links on them that led to pages which did not come. */
  readonly linksPruned: number;
  /** The entries of the outline that lead to them; null where none do. */
  readonly outline: OutlineRoot | null;
  /** Places on them by their names. */
  readonly names: readonly NamedPlace[];
  /** Of all pages of their own document; null where it has none. */
  readonly labels: readonly Label[] | null;
}

/**
 * Copies pages of a document into another one: what they share is there once. Links among them lead where they led; those to other pages lead nowhere, and
 * of these pages nothing comes along. The other document is not whole any more afterwards.
 * @param indices from 0, each once
 * @param there pages of it that the document has already, by their numbers: links lead to them too
 */
export function bringPages(
  into: PDFDocument,
  other: PDFDocument,
  indices: readonly number[],
  there: ReadonlyMap<number, PDFRef> = new Map(),
): BroughtPages {
  const all = other.getPages();
  const labels = readLabels(other, all.length);
  const wanted = indices.filter((index) => index < all.length);
  const leading = [...new Set([...wanted, ...there.keys()])].flatMap((index) => all[index] ?? []);
  const linksPruned = pruneLeads(other, leading);
  const destinations = new Destinations(other, leading);
  const copier = new ObjectCopier(other.context, into.context);
  for (const [index, ref] of there) if (all[index]) copier.becomes(all[index].ref, ref);
  const refs = wanted.map((index) => {
    const ref = into.context.nextRef();
    copier.becomes(all[index].ref, ref);
    return ref;
  });
  const pages = new Map(
    wanted.map((index, k) => {
      const page = all[index];
      ownEntries(page);
      for (const key of PLACES) page.node.delete(key);
      leadByThemselves(page, destinations);
      const node = copier.copyPage(page.node);
      into.context.assign(refs[k], node);
      return [index, PDFPage.of(node, refs[k], into)] as const;
    }),
  );
  bringLayers(into, other, copier);
  const outline = outlineBrought(into, other, destinations, copier);
  const names = destinations.all().flatMap(([called, place]) => {
    const copy = copier.copy(place);
    return copy ? [[called, copy] as const] : [];
  });
  return { pages, linksPruned, outline, names, labels };
}

/** Links of a page say where they lead, and not by a name, which may be another's where they come. */
function leadByThemselves({ node }: PDFPage, destinations: Destinations): void {
  const annotations = node.lookup(name('Annots'));
  if (!(annotations instanceof PDFArray)) return;
  for (let i = 0; i < annotations.size(); i++) {
    const one = annotations.lookup(i);
    if (!(one instanceof PDFDict)) continue;
    one.delete(name('StructParent'));
    if (one.lookup(name('Subtype')) === name('Link')) destinations.unname(one);
  }
}

function outlineBrought(
  into: PDFDocument,
  other: PDFDocument,
  destinations: Destinations,
  copier: ObjectCopier,
): OutlineRoot | null {
  const outline = outlineOf(other);
  if (!outline) return null;
  let leads = false;
  for (const { dict } of entriesOf(outline, true)) {
    // Of the tags nothing comes along.
    dict.delete(name('SE'));
    destinations.unname(dict);
    leads ||= LEADING.some((key) => dict.has(key));
  }
  const ref = leads ? copier.copy(outline.ref) : null;
  const dict = ref && into.context.lookup(ref);
  return ref instanceof PDFRef && dict instanceof PDFDict ? { dict, ref } : null;
}
