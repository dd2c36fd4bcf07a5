import { type Matrix, thenMatrix, transform, type Vec } from '../geometry/index.ts';
import { type DrawnShapes, NO_SHAPES } from '../print/index.ts';
import { FoundShapes } from './foundShapes.ts';
import type { PdfiumModule } from './module.ts';

/** Of FPDFPageObj_GetType and FPDFPathSegment_GetType (fpdf_edit.h). */
const PATH = 2;
const FORM = 5;
const LINE = 0;
const CURVE = 1;
const MOVE = 2;

/** So many objects of a page and pieces of paths are looked at, no more of one path, and forms so deep: a file made to harm may hold more. */
const MOST_OBJECTS = 20_000;
const MOST_OF_PAGE = 250_000;
const MOST_OF_PATH = 20_000;
const DEEPEST = 4;

/** What is lighter, of 255, is not seen on paper. */
const LIGHT = 235;

const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** What a page (from 0) draws that figures and letters can meet, by its operators; nothing where PDFium cannot read it. */
export function readShapes(module: PdfiumModule, document: number, index: number): DrawnShapes {
  const { wasmExports: pdfium } = module;
  const page = pdfium.FPDF_LoadPage(document, index);
  if (page === 0) return NO_SHAPES;
  const scratch = pdfium.malloc(32);
  const found = new FoundShapes();
  const budget = { left: MOST_OF_PAGE };
  try {
    const count = Math.min(MOST_OBJECTS, pdfium.FPDFPage_CountObjects(page));
    for (let k = 0; k < count; k++) {
      const object = pdfium.FPDFPage_GetObject(page, k);
      readObject(module, { object, within: IDENTITY, depth: 0, scratch, budget }, found);
    }
  } finally {
    pdfium.free(scratch);
    pdfium.FPDF_ClosePage(page);
  }
  return found.all();
}

interface Place {
  readonly object: number;
  /** From where the object stands to the page. */
  readonly within: Matrix;
  readonly depth: number;
  readonly scratch: number;
  /** Pieces that may still be looked at. */
  readonly budget: { left: number };
}

function readObject(module: PdfiumModule, place: Place, found: FoundShapes): void {
  const { object, within, depth, scratch, budget } = place;
  if (budget.left <= 0 || found.isFull) return;
  const { wasmExports: pdfium } = module;
  const type = pdfium.FPDFPageObj_GetType(object);
  if (type !== PATH && type !== FORM) return;
  if (!pdfium.FPDFPageObj_GetMatrix(object, scratch)) return;
  const [a, b, c, d, e, f] = module.HEAPF32.subarray(scratch >> 2, (scratch >> 2) + 6);
  const matrix = thenMatrix([a, b, c, d, e, f], within);
  if (type === PATH) return readPath(module, { ...place, within: matrix }, found);
  if (depth === DEEPEST) return;
  const count = Math.min(MOST_OBJECTS, pdfium.FPDFFormObj_CountObjects(object));
  for (let k = 0; k < count; k++) {
    const inner = pdfium.FPDFFormObj_GetObject(object, k);
    readObject(module, { ...place, object: inner, within: matrix, depth: depth + 1 }, found);
  }
}

function readPath(module: PdfiumModule, place: Place, found: FoundShapes): void {
  const { object: path, within: matrix, scratch, budget } = place;
  const { wasmExports: pdfium } = module;
  const count = pdfium.FPDFPath_CountSegments(path);
  if (count < 2 || count > MOST_OF_PATH) return;
  if (!pdfium.FPDFPath_GetDrawMode(path, scratch, scratch + 4)) return;
  const [filled, stroked] = [module.HEAPU8[scratch], module.HEAPU8[scratch + 4]];
  const isFilled = filled > 0 && isSeen(module, path, 'fill', scratch);
  const isStroked = stroked > 0 && isSeen(module, path, 'stroke', scratch);
  if (!isFilled && !isStroked) return;
  budget.left -= count;
  let points: Vec[] = [];
  let outline: Vec[] = [];
  let curves = 0;
  const finish = (isClosed: boolean): void => {
    found.take({ points, outline, curves, isClosed, isFilled, isStroked });
    points = [];
    outline = [];
    curves = 0;
  };
  for (let k = 0; k < count; k++) {
    const piece = pdfium.FPDFPath_GetPathSegment(path, k);
    if (!pdfium.FPDFPathSegment_GetPoint(piece, scratch, scratch + 4)) return;
    const [x, y] = module.HEAPF32.subarray(scratch >> 2, (scratch >> 2) + 2);
    const type = pdfium.FPDFPathSegment_GetType(piece);
    if (type === MOVE) finish(false);
    if (type === CURVE) curves++;
    else if (type !== LINE && type !== MOVE) return;
    points.push(transform(matrix, { x, y }));
    if (type !== CURVE) outline.push(points[points.length - 1]);
    else if (curves % 3 === 0 && points.length > 3) outline.push(...alongCurve(points.slice(-4)));
    if (pdfium.FPDFPathSegment_GetClose(piece)) finish(true);
  }
  finish(false);
}

/** Shares of a curve at which its outline has a point. */
const SHARES = [0.25, 0.5, 0.75, 1];

/** Points of a cubic curve after its first. */
const alongCurve = ([a, b, c, d]: readonly Vec[]): Vec[] =>
  SHARES.map((t) => {
    const u = 1 - t;
    const at = (of: 'x' | 'y'): number =>
      u * u * u * a[of] + 3 * u * u * t * b[of] + 3 * u * t * t * c[of] + t * t * t * d[of];
    return { x: at('x'), y: at('y') };
  });

/** Whether a colour can be seen on paper. */
function isSeen(
  module: PdfiumModule,
  path: number,
  what: 'fill' | 'stroke',
  scratch: number,
): boolean {
  const { wasmExports: pdfium } = module;
  const ask = what === 'fill' ? pdfium.FPDFPageObj_GetFillColor : pdfium.FPDFPageObj_GetStrokeColor;
  if (!ask(path, scratch, scratch + 4, scratch + 8, scratch + 12)) return true;
  const [red, green, blue, alpha] = [0, 4, 8, 12].map((k) => module.HEAPU8[scratch + k]);
  return alpha > 0 && Math.min(red, green, blue) < LIGHT;
}
