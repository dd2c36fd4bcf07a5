import { PDFArray, PDFDict, PDFName, PDFNumber, type PDFPage } from '@cantoo/pdf-lib';
import {
  box,
  boxHeight,
  boxHolds,
  boxWidth,
  type Box,
  intersectBoxes,
  isEmptyBox,
  type PageBox,
  uniteBoxes,
} from '../../geometry/index.ts';

/** What viewers take where a page says no size: US Letter. */
const NO_SIZE = box(0, 0, 612, 792);

const MEDIA = PDFName.of('MediaBox');
const CROP = PDFName.of('CropBox');
const ROTATE = PDFName.of('Rotate');
const PARENT = PDFName.of('Parent');
/** Page trees are no deeper; one that runs in circles is. */
const DEEPEST = 100;

/** The nearest upwards; most pages have their own. */
function inherited(page: PDFPage, key: PDFName): unknown {
  let node: PDFDict = page.node;
  for (let depth = 0; depth < DEEPEST; depth++) {
    const found = node.lookup(key);
    if (found !== undefined) return found;
    const parent = node.lookup(PARENT);
    if (!(parent instanceof PDFDict)) return undefined;
    node = parent;
  }
  return undefined;
}

/** Four numbers as a box with its corners in order; null for anything else or nothing inside. */
function boxOf(value: unknown): Box | null {
  if (!(value instanceof PDFArray) || value.size() !== 4) return null;
  const n = [0, 1, 2, 3].map((i) => {
    const item = value.lookup(i);
    return item instanceof PDFNumber ? item.asNumber() : NaN;
  });
  if (!n.every(Number.isFinite)) return null;
  const b = box(
    Math.min(n[0], n[2]),
    Math.min(n[1], n[3]),
    Math.max(n[0], n[2]),
    Math.max(n[1], n[3]),
  );
  return boxWidth(b) > 0 && boxHeight(b) > 0 ? b : null;
}

/**
 * The visible box, MediaBox ∩ CropBox, both inherited (ISO 32000-1 §7.7.3.3, §14.11.2); the MediaBox
 * where they do not meet. Turns that are no multiple of 90° count as none.
 */
export function pageGeometry(page: PDFPage): PageBox {
  const media = boxOf(inherited(page, MEDIA)) ?? NO_SIZE;
  const crop = boxOf(inherited(page, CROP));
  const seen = crop && intersectBoxes(media, crop);
  const usable = seen && !isEmptyBox(seen) && boxWidth(seen) > 0 && boxHeight(seen) > 0;
  const turn = inherited(page, ROTATE);
  const degrees = turn instanceof PDFNumber ? turn.asNumber() : 0;
  const rotate = degrees % 90 === 0 ? ((((degrees % 360) + 360) % 360) as PageBox['rotate']) : 0;
  const unit = page.node.lookup(PDFName.of('UserUnit'));
  const userUnit = unit instanceof PDFNumber && unit.asNumber() > 0 ? unit.asNumber() : 1;
  return { box: usable ? seen : media, rotate, userUnit };
}

/** Writes the geometry onto the page itself, so that every viewer takes the same. */
export function fixGeometry(page: PDFPage, { box: b, rotate }: PageBox): void {
  if (saysSo(page, b, rotate)) return;
  const numbers = page.doc.context.obj([b.minX, b.minY, b.maxX, b.maxY]);
  page.node.set(CROP, numbers);
  const media = boxOf(inherited(page, MEDIA));
  if (!media) page.node.set(MEDIA, numbers);
  else if (!boxHolds(media, b)) {
    // Viewers show no more than is in both.
    const { minX, minY, maxX, maxY } = uniteBoxes(media, b);
    page.node.set(MEDIA, page.doc.context.obj([minX, minY, maxX, maxY]));
  }
  page.node.set(ROTATE, PDFNumber.of(rotate));
}

/** Other boxes that a page may have, none of which is to be larger (§14.11.2). */
const OTHERS = ['BleedBox', 'TrimBox', 'ArtBox'];

/** Makes a page as large as what is seen of it. */
export function shrinkTo({ node, doc }: PDFPage, { minX, minY, maxX, maxY }: Box): void {
  const own = (): PDFArray => doc.context.obj([minX, minY, maxX, maxY]);
  node.set(MEDIA, own());
  // One that is inherited would be taken else.
  node.set(CROP, own());
  for (const key of OTHERS) node.delete(PDFName.of(key));
}

/** Whether the page has that size by itself, and is neither cut down nor turned, here or above it: every viewer takes it so. */
function saysSo(page: PDFPage, b: Box, rotate: number): boolean {
  const media = rotate === 0 ? boxOf(page.node.lookup(MEDIA)) : null;
  return (
    media !== null &&
    isSameBox(media, b) &&
    inherited(page, CROP) === undefined &&
    inherited(page, ROTATE) === undefined
  );
}

const isSameBox = (a: Box, b: Box): boolean =>
  a.minX === b.minX && a.minY === b.minY && a.maxX === b.maxX && a.maxY === b.maxY;
