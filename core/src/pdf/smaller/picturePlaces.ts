import {
  PDFArray,
  PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  type PDFPage,
  PDFRef,
  PDFStream,
} from '@cantoo/pdf-lib';
import {
  type Box,
  box,
  IDENTITY,
  type Matrix,
  thenMatrix,
  transformBox,
} from '../../geometry/index.ts';
import { pageContent, streamBytes } from '../content/pageContent.ts';
import { scanContent } from '../content/scan.ts';

/** How large a picture is drawn, and where. */
export interface PicturePlaces {
  /** Points along its rows and columns, where it is drawn largest. */
  readonly width: number;
  readonly height: number;
  /** Where it is drawn: the page, from 0, and the box in its user space. */
  readonly places: readonly { readonly page: number; readonly box: Box }[];
}

/** An XObject that a content stream draws. */
interface Drawn {
  readonly name: string;
  readonly matrix: Matrix;
}

/** So much is followed: forms within forms can multiply without end. */
const MOST_DRAWN = 200_000;
const DEEPEST = 12;
const XOBJECT = PDFName.of('XObject');
const UNIT = box(0, 0, 1, 1);

/**
 * How large every picture of a document is drawn. Pictures that are (also) used otherwise than on pages and in forms there,
 * in patterns, glyphs, masks or annotations, are not told.
 * @returns null where pages draw more than can be followed
 */
export function placesOfPictures(pages: readonly PDFPage[]): Map<PDFRef, PicturePlaces> | null {
  const walk = new Walk();
  for (const [index, page] of pages.entries()) {
    walk.page = index;
    const { node } = page;
    const unit = node.lookup(PDFName.of('UserUnit'));
    walk.unit = unit instanceof PDFNumber && unit.asNumber() > 0 ? unit.asNumber() : 1;
    walk.into(drawnBy(pageContent(page)), node.Resources(), IDENTITY, 0);
    if (walk.isTooMuch) return null;
  }
  const [first] = pages;
  if (first)
    for (const ref of usedOtherwise(first.doc.context.enumerateIndirectObjects(), walk.seen))
      walk.found.delete(ref);
  return walk.found;
}

class Walk {
  readonly found = new Map<PDFRef, PicturePlaces & { places: { page: number; box: Box }[] }>();
  /** The resources whose pictures are all drawn where we have seen it. */
  readonly seen = new Set<PDFDict>();
  page = 0;
  unit = 1;
  private readonly forms = new Map<PDFStream, readonly Drawn[]>();
  private count = 0;

  get isTooMuch(): boolean {
    return this.count > MOST_DRAWN;
  }

  into(
    drawn: readonly Drawn[],
    resources: PDFDict | undefined,
    matrix: Matrix,
    depth: number,
  ): void {
    const objects = resources?.lookup(XOBJECT);
    if (!(objects instanceof PDFDict)) return;
    this.seen.add(objects);
    for (const { name, matrix: own } of drawn) {
      if (++this.count > MOST_DRAWN) return;
      const key = PDFName.of(name);
      const object = objects.lookup(key);
      if (!(object instanceof PDFStream)) continue;
      const placed = thenMatrix(own, matrix);
      const subtype = object.dict.lookup(PDFName.of('Subtype'));
      const ref = objects.get(key);
      if (subtype === PDFName.of('Image') && ref instanceof PDFRef) this.note(ref, placed);
      else if (subtype === PDFName.of('Form') && depth < DEEPEST)
        this.form(object, resources, placed, depth + 1);
    }
  }

  private form(form: PDFStream, outer: PDFDict | undefined, matrix: Matrix, depth: number): void {
    let drawn = this.forms.get(form);
    if (!drawn) {
      const bytes = streamBytes(form);
      this.forms.set(form, (drawn = bytes ? drawnBy(bytes) : []));
    }
    const own = form.dict.lookup(PDFName.of('Resources'));
    // Old files leave them out, and mean those of what draws the form (ISO 32000-1 §7.8.3).
    const resources = own instanceof PDFDict ? own : outer;
    this.into(drawn, resources, thenMatrix(matrixOf(form.dict), matrix), depth);
  }

  private note(ref: PDFRef, matrix: Matrix): void {
    const [a, b, c, d] = matrix;
    const width = Math.hypot(a, b) * this.unit;
    const height = Math.hypot(c, d) * this.unit;
    const known = this.found.get(ref);
    const place = { page: this.page, box: transformBox(matrix, UNIT) };
    this.found.set(ref, {
      width: Math.max(width, known?.width ?? 0),
      height: Math.max(height, known?.height ?? 0),
      places: known ? (known.places.push(place), known.places) : [place],
    });
  }
}

function drawnBy(content: Uint8Array): Drawn[] {
  const drawn: Drawn[] = [];
  let matrix: Matrix = IDENTITY;
  const saved: Matrix[] = [];
  scanContent(content, ({ operator, numbers, name }) => {
    if (operator === 'q') saved.push(matrix);
    else if (operator === 'Q') matrix = saved.pop() ?? matrix;
    else if (operator === 'cm' && numbers.length >= 6)
      matrix = thenMatrix(numbers.slice(-6) as unknown as Matrix, matrix);
    else if (operator === 'Do' && name !== null) drawn.push({ name, matrix });
  });
  return drawn;
}

function matrixOf(dict: PDFDict): Matrix {
  const array = dict.lookup(PDFName.of('Matrix'));
  if (!(array instanceof PDFArray) || array.size() !== 6) return IDENTITY;
  const numbers = Array.from({ length: 6 }, (_, i) => array.lookup(i)).map((one) =>
    one instanceof PDFNumber ? one.asNumber() : NaN,
  );
  return numbers.every(Number.isFinite) ? (numbers as unknown as Matrix) : IDENTITY;
}

/** What stands in resources whose use was not seen. */
function usedOtherwise(
  objects: readonly (readonly [PDFRef, PDFObject])[],
  seen: ReadonlySet<PDFDict>,
): Set<PDFRef> {
  const refs = new Set<PDFRef>();
  const waiting = objects.map(([, object]) => object);
  for (let object = waiting.pop(); object !== undefined; object = waiting.pop()) {
    const container = object instanceof PDFStream ? object.dict : object;
    if (container instanceof PDFArray) waiting.push(...directIn(container.asArray()));
    if (!(container instanceof PDFDict)) continue;
    waiting.push(...directIn(container.values()));
    const named = container.lookup(XOBJECT);
    if (!(named instanceof PDFDict) || seen.has(named)) continue;
    for (const value of named.values()) if (value instanceof PDFRef) refs.add(value);
  }
  return refs;
}

const directIn = (values: readonly PDFObject[]): PDFObject[] =>
  values.filter((value) => value instanceof PDFDict || value instanceof PDFArray);
