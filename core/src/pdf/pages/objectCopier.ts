import {
  PDFArray,
  type PDFContext,
  PDFDict,
  PDFName,
  PDFNull,
  type PDFObject,
  PDFPageLeaf,
  PDFPageTree,
  PDFRef,
  PDFStream,
} from '@cantoo/pdf-lib';

const PARENT = PDFName.of('Parent');

/**
 * Copies objects of one document into another, with all that they refer to, each once. Pages are no part of that: a reference to one becomes what it was
 * told to become, or nothing, so that no page comes along that is not wanted.
 */
export class ObjectCopier {
  private readonly refs = new Map<PDFRef, PDFRef | null>();
  private readonly waiting: { readonly object: PDFObject; readonly ref: PDFRef }[] = [];

  constructor(
    private readonly from: PDFContext,
    private readonly into: PDFContext,
  ) {}

  /** What references to an object are in the copy. */
  becomes(ref: PDFRef, there: PDFRef): void {
    this.refs.set(ref, there);
  }

  /** What a reference has become; undefined where what it refers to has not been copied. */
  copied(ref: PDFRef): PDFRef | null | undefined {
    return this.refs.get(ref);
  }

  /** A copy of an object, which may be a reference; null for what is nothing there. */
  copy(object: PDFObject): PDFObject | null {
    const copy = this.cloned(object);
    // One after the other: rows of entries that refer to the next are as long as files please.
    for (let next = this.waiting.pop(); next; next = this.waiting.pop()) {
      const value = this.cloned(next.object);
      if (value) this.into.assign(next.ref, value);
    }
    return copy;
  }

  /** A dictionary as a page: what it says of its place among others stays behind. */
  copyPage(node: PDFPageLeaf): PDFPageLeaf {
    const map = new Map<PDFName, PDFObject>();
    for (const [key, value] of node.entries()) {
      const copy = key === PARENT ? null : this.copy(value);
      if (copy) map.set(key, copy);
    }
    return PDFPageLeaf.fromMapWithContext(map, this.into, false);
  }

  /** A copy of an object, whose references lead to copies that are still to be made. */
  private cloned(object: PDFObject): PDFObject | null {
    if (object instanceof PDFRef) return this.reference(object);
    if (object instanceof PDFPageLeaf || object instanceof PDFPageTree) return null;
    if (object instanceof PDFStream) {
      const stream = object.clone(this.into);
      this.entries(object.dict, stream.dict);
      return stream;
    }
    if (object instanceof PDFDict) {
      const dict = PDFDict.withContext(this.into);
      this.entries(object, dict);
      return dict;
    }
    if (!(object instanceof PDFArray)) return object;
    const array = PDFArray.withContext(this.into);
    for (const one of object.asArray()) array.push(this.cloned(one) ?? PDFNull);
    return array;
  }

  private entries(from: PDFDict, into: PDFDict): void {
    for (const [key, value] of from.entries()) {
      const copy = this.cloned(value);
      // An entry that is nothing is as good as none (ISO 32000-1 §7.3.7).
      if (copy) into.set(key, copy);
      else into.delete(key);
    }
  }

  private reference(ref: PDFRef): PDFRef | null {
    const known = this.refs.get(ref);
    if (known !== undefined) return known;
    const object = this.from.lookup(ref);
    const isPage = object instanceof PDFPageLeaf || object instanceof PDFPageTree;
    const there = !object || isPage ? null : this.into.nextRef();
    this.refs.set(ref, there);
    if (object && there) this.waiting.push({ object, ref: there });
    return there;
  }
}
