import {
  PDFArray,
  PDFDict,
  type PDFDocument,
  PDFHexString,
  PDFName,
  type PDFObject,
  PDFRef,
  PDFString,
} from '@cantoo/pdf-lib';

/** Deeper name trees are damage. */
const DEEPEST = 32;

const DEST = PDFName.of('Dest');
const ACTION = PDFName.of('A');

/** A place, and what it is called. */
export type NamedPlace = readonly [name: PDFString | PDFHexString, place: PDFObject];

/** What of a link, or an entry of an outline, says where it leads. */
export const LEADING: readonly PDFName[] = [DEST, ACTION];

/** Places of a document by their names (ISO 32000-1 §12.3.2), and which of them lead to pages that it no longer has. */
export class Destinations {
  private readonly still: ReadonlySet<PDFObject>;
  private readonly named = new Map<string, PDFObject>();
  private readonly inTree: NamedPlace[] = [];

  /** @param pages all that the document has */
  constructor(
    private readonly doc: PDFDocument,
    pages: readonly { readonly ref: PDFRef }[],
  ) {
    this.still = new Set(pages.map(({ ref }) => ref));
    const old = doc.catalog.lookup(PDFName.of('Dests'));
    if (old instanceof PDFDict)
      for (const [name, place] of old.entries()) this.named.set(name.decodeText(), place);
    this.read(this.tree());
  }

  /** Whether an item of an outline, or a link, leads to a page that is gone. */
  isGone(item: PDFDict): boolean {
    const to = item.get(DEST) ?? this.goesTo(item.lookup(ACTION));
    return to !== undefined && this.leadsAway(to);
  }

  /** Places with their names, as arrays. */
  all(): (readonly [name: PDFString | PDFHexString, place: PDFArray])[] {
    const called = new Map(this.inTree.map(([name]) => [name.decodeText(), name]));
    return [...this.named].flatMap(([name, to]) => {
      const place = this.placeOf(to);
      return place ? [[called.get(name) ?? PDFString.of(name), place] as const] : [];
    });
  }

  /** An item that leads somewhere by a name says the place itself from now on. */
  unname(item: PDFDict): void {
    const action = item.lookup(ACTION);
    const to = item.get(DEST) ?? this.goesTo(action);
    const place = to && this.placeOf(to);
    if (!place || this.doc.context.lookup(to) === place) return;
    if (item.has(DEST)) item.set(DEST, place);
    else if (action instanceof PDFDict) action.set(PDFName.of('D'), place);
  }

  /** Gives places names that are not taken yet. */
  add(names: readonly NamedPlace[]): void {
    const fresh = names.filter(([name]) => !this.named.has(name.decodeText()));
    if (fresh.length === 0) return;
    const { catalog, context } = this.doc;
    this.inTree.push(...fresh);
    const all = [...this.inTree];
    for (const [name, place] of fresh) this.named.set(name.decodeText(), place);
    // Readers look for a name among those in order (§7.9.6).
    all.sort(([a], [b]) => compareBytes(a.asBytes(), b.asBytes()));
    const known = catalog.lookup(PDFName.of('Names'));
    const held = known instanceof PDFDict ? known : (context.obj({}) as PDFDict);
    if (held !== known) catalog.set(PDFName.of('Names'), context.register(held));
    held.set(PDFName.of('Dests'), context.register(context.obj({ Names: all.flat() })));
  }

  /** Takes the names of places that are gone away. */
  dropGone(): void {
    const { catalog, context } = this.doc;
    const old = catalog.lookup(PDFName.of('Dests'));
    if (old instanceof PDFDict)
      for (const [name, place] of old.entries()) if (this.leadsAway(place)) old.delete(name);
    const names = catalog.lookup(PDFName.of('Names'));
    if (!(names instanceof PDFDict) || !this.tree()) return;
    const kept = this.inTree.filter(([, place]) => !this.leadsAway(place));
    // One node for all: what a tree says of its parts would have to be said anew.
    const all = context.obj({ Names: kept.flat() });
    names.set(PDFName.of('Dests'), context.register(all));
  }

  private tree(): PDFDict | null {
    const names = this.doc.catalog.lookup(PDFName.of('Names'));
    const tree = names instanceof PDFDict ? names.lookup(PDFName.of('Dests')) : null;
    return tree instanceof PDFDict ? tree : null;
  }

  private read(node: unknown, depth = 0): void {
    if (!(node instanceof PDFDict) || depth > DEEPEST) return;
    const pairs = node.lookup(PDFName.of('Names'));
    if (pairs instanceof PDFArray)
      for (let i = 0; i + 1 < pairs.size(); i += 2) {
        const name = pairs.lookup(i);
        if (!(name instanceof PDFString || name instanceof PDFHexString)) continue;
        this.inTree.push([name, pairs.get(i + 1)]);
        this.named.set(name.decodeText(), pairs.get(i + 1));
      }
    const kids = node.lookup(PDFName.of('Kids'));
    if (kids instanceof PDFArray)
      for (let i = 0; i < kids.size(); i++) this.read(kids.lookup(i), depth + 1);
  }

  private goesTo(action: unknown): PDFObject | undefined {
    if (!(action instanceof PDFDict) || action.lookup(PDFName.of('S')) !== PDFName.of('GoTo'))
      return undefined;
    return action.get(PDFName.of('D'));
  }

  /** The array that a place is, or is called by a name; null where it is none. */
  private placeOf(to: PDFObject, depth = 0): PDFArray | null {
    const place = this.doc.context.lookup(to);
    if (place instanceof PDFArray) return place;
    if (depth > 2) return null;
    if (place instanceof PDFDict) {
      const inside = place.get(PDFName.of('D'));
      return inside ? this.placeOf(inside, depth + 1) : null;
    }
    if (!(place instanceof PDFName || place instanceof PDFString || place instanceof PDFHexString))
      return null;
    const named = this.named.get(place.decodeText());
    return named ? this.placeOf(named, depth + 1) : null;
  }

  private leadsAway(to: PDFObject, depth = 0): boolean {
    const place = this.doc.context.lookup(to);
    if (place instanceof PDFDict) {
      const inside = place.get(PDFName.of('D'));
      return inside !== undefined && depth < 2 && this.leadsAway(inside, depth + 1);
    }
    if (place instanceof PDFName || place instanceof PDFString || place instanceof PDFHexString) {
      const named = this.named.get(place.decodeText());
      return named !== undefined && depth < 2 && this.leadsAway(named, depth + 1);
    }
    if (!(place instanceof PDFArray) || place.size() === 0) return false;
    const page = place.get(0);
    return page instanceof PDFRef && !this.still.has(page);
  }
}

function compareBytes(a: Uint8Array, b: Uint8Array): number {
  const k = a.findIndex((byte, i) => byte !== b[i]);
  return k < 0 ? a.length - b.length : k >= b.length ? 1 : a[k] - b[k];
}
