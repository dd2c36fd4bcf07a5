import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFName,
  PDFNumber,
  type PDFObject,
  type PDFPage,
} from '@cantoo/pdf-lib';
import { kidsOf } from './kidsOf.ts';
import { type Pair, treeOf } from './numberTree.ts';

const name = (text: string): PDFName => PDFName.of(text);
/** Deeper trees are damage. */
const DEEPEST = 200;

/** What stands in a page's content, or on it, as an element's kid (ISO 32000-1 §14.7.4). */
const OF_PAGE = new Set([name('MCR'), name('OBJR')]);

/**
 * Takes what a tagged file says of pages that are no longer there out of its structure (ISO 32000-1 §14.7): elements of which nothing is left, with their alternative
 * texts, wherever they are named.
 */
export function pruneStructure(doc: PDFDocument, pages: readonly PDFPage[]): void {
  const root = doc.catalog.lookup(name('StructTreeRoot'));
  if (!(root instanceof PDFDict)) return;
  const structure = new Structure(new Set(pages.map(({ ref }) => ref)));
  structure.prune(root);
  const { kept } = structure;
  const isKept = (value: PDFObject | undefined): boolean => {
    const element = value && doc.context.lookup(value);
    return element instanceof PDFDict && kept.has(element);
  };
  const parents = treeOf(root.lookup(name('ParentTree')), 'Nums').flatMap(([key, value]) => {
    const held = doc.context.lookup(value);
    if (!(held instanceof PDFArray)) return isKept(value) ? [[key, value] as const] : [];
    for (let i = 0; i < held.size(); i++)
      if (!isKept(held.get(i))) held.set(i, doc.context.obj(null));
    return held.asArray().some(isKept) ? [[key, value] as const] : [];
  });
  put(doc, root, 'ParentTree', 'Nums', parents);
  const ids = treeOf(root.lookup(name('IDTree')), 'Names').filter(([, value]) => isKept(value));
  if (root.has(name('IDTree'))) put(doc, root, 'IDTree', 'Names', ids);
}

/** One node for all: what a tree says of its parts would have to be said anew. */
function put(
  { context }: PDFDocument,
  root: PDFDict,
  tree: string,
  list: 'Nums' | 'Names',
  pairs: readonly Pair[],
): void {
  if (pairs.length === 0) root.delete(name(tree));
  else root.set(name(tree), context.register(context.obj({ [list]: pairs.flat() })));
}

class Structure {
  /** Elements that are still there. */
  readonly kept = new Set<PDFDict>();
  /** Damaged structures may run in circles. */
  private readonly met = new Set<PDFDict>();

  constructor(private readonly still: ReadonlySet<PDFObject>) {}

  /** Whether something of an element is left. `above` is the page that it is on unless it says so itself. */
  prune(element: PDFDict, above?: PDFObject, depth = 0): boolean {
    if (this.met.has(element) || depth > DEEPEST) return false;
    this.met.add(element);
    const page = element.get(name('Pg')) ?? above;
    const kids = kidsOf(element);
    const left = kids.filter((kid) => this.isLeft(element.context.lookup(kid), page, depth));
    const isGone = page !== undefined && !this.still.has(page);
    if (kids.length > 0 ? left.length === 0 : isGone) return false;
    if (isGone) element.delete(name('Pg'));
    if (left.length < kids.length)
      element.set(name('K'), left.length === 1 ? left[0] : element.context.obj([...left]));
    this.kept.add(element);
    return true;
  }

  private isLeft(kid: unknown, page: PDFObject | undefined, depth: number): boolean {
    if (kid instanceof PDFNumber) return page === undefined || this.still.has(page);
    if (!(kid instanceof PDFDict)) return false;
    if (!OF_PAGE.has(kid.lookup(name('Type')) as PDFName)) return this.prune(kid, page, depth + 1);
    const on = kid.get(name('Pg')) ?? page;
    return on === undefined || this.still.has(on);
  }
}
