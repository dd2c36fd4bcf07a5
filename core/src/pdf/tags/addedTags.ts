import {
  PDFArray,
  PDFBool,
  type PDFContext,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  type PDFObject,
  type PDFPage,
  PDFRef,
} from '@cantoo/pdf-lib';
import { kidsOf } from './kidsOf.ts';
import { pushNumber, treeOf } from './numberTree.ts';

/** What words of ours are to whoever is told the page: what was written on it, or what was said about it. */
export type AddedRole = 'P' | 'Note';

const name = (text: string): PDFName => PDFName.of(text);
/** So many elements are looked at for where a page's stand; a file made to harm may have more. */
const MOST_ELEMENTS = 200_000;

/**
 * Adds what is written on the pages of a tagged file to its structure (ISO 32000-1 §14.7), after what the file itself says of
 * the page: whoever has the file read to them is told it too.
 */
export class AddedTags {
  private readonly lists = new Map<number, PDFArray>();
  private next: number;
  /** On which pages each kid of the parent is, as far as that has been looked at. */
  private on: Map<PDFObject, ReadonlySet<PDFObject>> | null = null;

  private constructor(
    private readonly tree: PDFDict,
    private readonly parent: { readonly ref: PDFRef; readonly dict: PDFDict },
    private readonly root: PDFDict,
  ) {
    let largest = -1;
    for (const [key, value] of treeOf(tree, 'Nums')) {
      if (!(key instanceof PDFNumber)) continue;
      largest = Math.max(largest, key.asNumber());
      const list = tree.context.lookup(value);
      if (list instanceof PDFArray) this.lists.set(key.asNumber(), list);
    }
    const said = root.lookup(name('ParentTreeNextKey'));
    this.next = Math.max(largest + 1, said instanceof PDFNumber ? said.asNumber() : 0);
  }

  /** Null where the file is not tagged, or its structure is damaged. */
  static of({ catalog, context }: PDFDocument): AddedTags | null {
    const info = catalog.lookup(name('MarkInfo'));
    if (!(info instanceof PDFDict) || info.lookup(name('Marked')) !== PDFBool.True) return null;
    const ref = catalog.get(name('StructTreeRoot'));
    const root = catalog.lookup(name('StructTreeRoot'));
    if (!(ref instanceof PDFRef) || !(root instanceof PDFDict)) return null;
    const kids = kidsOf(root);
    const [only] = kids;
    const whole = kids.length === 1 && only instanceof PDFRef ? context.lookup(only) : undefined;
    const parent =
      whole instanceof PDFDict && whole.has(name('S'))
        ? { ref: only as PDFRef, dict: whole }
        : { ref, dict: root };
    let tree = root.lookup(name('ParentTree'));
    if (!(tree instanceof PDFDict)) {
      tree = context.obj({ Nums: [] });
      root.set(name('ParentTree'), context.register(tree));
    }
    return new AddedTags(tree as PDFDict, parent, root);
  }

  /** Adds an element for content of a page; the number by which the content names it. */
  add(page: PDFPage, role: AddedRole, words: string): number {
    const { context } = page.doc;
    const list = this.listOf(page);
    const number = list.size();
    const element = context.register(
      context.obj({
        ...{ Type: 'StructElem', S: role, P: this.parent.ref, Pg: page.ref, K: number },
        ActualText: PDFHexString.fromText(words),
      }),
    );
    list.push(element);
    this.place(page, element);
    return number;
  }

  /** The elements of a page's content, by their numbers there. */
  private listOf({ node, doc: { context } }: PDFPage): PDFArray {
    const key = node.lookup(name('StructParents'));
    const known = key instanceof PDFNumber ? this.lists.get(key.asNumber()) : undefined;
    if (known) return known;
    const list = context.obj([]);
    const own = this.next++;
    pushNumber(this.tree, own, context.register(list));
    this.root.set(name('ParentTreeNextKey'), PDFNumber.of(this.next));
    this.lists.set(own, list);
    node.set(name('StructParents'), PDFNumber.of(own));
    return list;
  }

  /** After the last element that is on the page; at the end where none is. */
  private place({ ref }: PDFPage, element: PDFRef): void {
    const kids = kidsOf(this.parent.dict);
    this.on ??= pagesOfEach(kids, this.parent.dict.context);
    let at = kids.length - 1;
    while (at >= 0 && !this.on.get(kids[at])?.has(ref)) at--;
    const next = at < 0 ? kids.length : at + 1;
    this.on.set(element, new Set([ref]));
    const all = [...kids.slice(0, next), element, ...kids.slice(next)];
    this.parent.dict.set(name('K'), this.parent.dict.context.obj(all));
  }
}

/** On which pages each element and what is beneath it is. */
function pagesOfEach(
  kids: readonly PDFObject[],
  context: PDFContext,
): Map<PDFObject, ReadonlySet<PDFObject>> {
  const met = new Set<PDFDict>();
  return new Map(
    kids.map((kid) => {
      const pages = new Set<PDFObject>();
      const waiting = [kid];
      for (let one = waiting.pop(); one && met.size < MOST_ELEMENTS; one = waiting.pop()) {
        const element = context.lookup(one);
        if (!(element instanceof PDFDict) || met.has(element)) continue;
        met.add(element);
        const page = element.get(name('Pg'));
        if (page) pages.add(page);
        waiting.push(...kidsOf(element));
      }
      return [kid, pages] as const;
    }),
  );
}
