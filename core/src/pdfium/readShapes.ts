import {
  type Box,
  boxHeight,
  boxOfPoints,
  boxWidth,
  distance,
  type Matrix,
  thenMatrix,
  transform,
  type Vec,
} from '../geometry/index.ts';
import { type DrawnShapes, NO_SHAPES } from '../print/index.ts';
import type { PdfiumModule } from './module.ts';

/** Of FPDFPageObj_GetType and FPDFPathSegment_GetType (fpdf_edit.h). */
const PATH = 2;
const FORM = 5;
const LINE = 0;
const CURVE = 1;
const MOVE = 2;

/** So many objects of a page, pieces of a path and shapes are looked at, and forms so deep: a file made to harm may hold more. */
const MOST_OBJECTS = 20_000;
const MOST_PIECES = 400;
const MOST_SHAPES = 5_000;
const DEEPEST = 4;

/** A rule is no shorter, and where it is drawn as an area no thicker, points. */
const SHORTEST = 24;
const THICKEST = 3;
/** Shorter pieces of lines are no sides of cells, points; drawn as an area they are no thicker. */
const SHORTEST_EDGE = 3;
const THICKEST_EDGE = 1.6;
/** Diameters of a dot, points; it is about as wide as it is high. */
const SMALLEST = 1.9;
const LARGEST = 9;
const ROUND = 1.25;
/** Sides of a square to be ticked, points, and how far it may be from one. */
const LEAST_SIDE = 5;
const MOST_SIDE = 32;
const SQUARE = 1.4;
/** What is no farther apart touches, points. */
const TOUCHING = 0.5;
/** What is lighter, of 255, is not seen on paper. */
const LIGHT = 235;

const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

interface Found {
  readonly rules: number[];
  readonly dots: number[];
  readonly squares: number[];
  readonly edges: number[];
}

/** The rules, dots, squares and edges that a page (from 0) draws, by its operators; none where PDFium cannot read it. */
export function readShapes(module: PdfiumModule, document: number, index: number): DrawnShapes {
  const { wasmExports: pdfium } = module;
  const page = pdfium.FPDF_LoadPage(document, index);
  if (page === 0) return NO_SHAPES;
  const scratch = pdfium.malloc(32);
  const found: Found = { rules: [], dots: [], squares: [], edges: [] };
  try {
    const count = Math.min(MOST_OBJECTS, pdfium.FPDFPage_CountObjects(page));
    for (let k = 0; k < count; k++) {
      const object = pdfium.FPDFPage_GetObject(page, k);
      readObject(module, { object, within: IDENTITY, depth: 0, scratch }, found);
    }
  } finally {
    pdfium.free(scratch);
    pdfium.FPDF_ClosePage(page);
  }
  return {
    rules: Float32Array.from(found.rules),
    dots: Float32Array.from(found.dots),
    squares: Float32Array.from(found.squares),
    edges: Float32Array.from(found.edges),
  };
}

interface Place {
  readonly object: number;
  /** From where the object stands to the page. */
  readonly within: Matrix;
  readonly depth: number;
  readonly scratch: number;
}

function readObject(module: PdfiumModule, place: Place, found: Found): void {
  const { rules, dots, squares, edges } = found;
  if (rules.length + dots.length + squares.length + edges.length > 4 * MOST_SHAPES) return;
  const { object, within, depth, scratch } = place;
  const { wasmExports: pdfium } = module;
  const type = pdfium.FPDFPageObj_GetType(object);
  if (type !== PATH && type !== FORM) return;
  if (!pdfium.FPDFPageObj_GetMatrix(object, scratch)) return;
  const [a, b, c, d, e, f] = module.HEAPF32.subarray(scratch >> 2, (scratch >> 2) + 6);
  const matrix = thenMatrix([a, b, c, d, e, f], within);
  if (type === PATH) return readPath(module, object, matrix, scratch, found);
  if (depth === DEEPEST) return;
  const count = Math.min(MOST_OBJECTS, pdfium.FPDFFormObj_CountObjects(object));
  for (let k = 0; k < count; k++) {
    const inner = pdfium.FPDFFormObj_GetObject(object, k);
    readObject(module, { object: inner, within: matrix, depth: depth + 1, scratch }, found);
  }
}

function readPath(
  module: PdfiumModule,
  path: number,
  matrix: Matrix,
  scratch: number,
  found: Found,
): void {
  const { wasmExports: pdfium } = module;
  const count = pdfium.FPDFPath_CountSegments(path);
  if (count < 2 || count > MOST_PIECES) return;
  if (!pdfium.FPDFPath_GetDrawMode(path, scratch, scratch + 4)) return;
  const [filled, stroked] = [module.HEAPU8[scratch], module.HEAPU8[scratch + 4]];
  const isFilled = filled > 0 && isSeen(module, path, 'fill', scratch);
  const isStroked = stroked > 0 && isSeen(module, path, 'stroke', scratch);
  if (!isFilled && !isStroked) return;
  let points: Vec[] = [];
  let curves = 0;
  const finish = (isClosed: boolean): void => {
    takeShape({ points, curves, isClosed, isFilled, isStroked }, found);
    points = [];
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
    if (pdfium.FPDFPathSegment_GetClose(piece)) finish(true);
  }
  finish(false);
}

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

interface Shape {
  readonly points: readonly Vec[];
  /** Points of curves among them: three a curve. */
  readonly curves: number;
  readonly isClosed: boolean;
  readonly isFilled: boolean;
  readonly isStroked: boolean;
}

/** Takes what a part of a path is: a dot, a rule drawn as an area, or rules along its straight sides. */
function takeShape(
  { points, curves, isClosed, isFilled, isStroked }: Shape,
  { rules, dots, squares, edges }: Found,
): void {
  if (points.length < 2) return;
  const bounds = boxOfPoints(points);
  const [width, height] = [boxWidth(bounds), boxHeight(bounds)];
  const [short, long] = [Math.min(width, height), Math.max(width, height)];
  const isRound = curves === 12 || (curves === 0 && points.length <= 5);
  if (isFilled && isRound && short >= SMALLEST && long <= LARGEST && long <= ROUND * short) {
    dots.push((bounds.minX + bounds.maxX) / 2, (bounds.minY + bounds.maxY) / 2);
    return;
  }
  if (curves > 0) return;
  const isRule = short <= THICKEST && long >= SHORTEST;
  const isEdge = short <= THICKEST_EDGE && long >= SHORTEST_EDGE;
  if (isFilled && points.length <= 5 && (isRule || isEdge)) {
    const [x, y] = [(bounds.minX + bounds.maxX) / 2, (bounds.minY + bounds.maxY) / 2];
    const into = isRule ? rules : edges;
    if (width > height) into.push(bounds.minX, y, bounds.maxX, y);
    else into.push(x, bounds.minY, x, bounds.maxY);
    return;
  }
  if (!isStroked) return;
  const isWhole = isClosed || (points.length === 5 && distance(points[0], points[4]) < TOUCHING);
  if (isWhole && !isFilled && points.length <= 5 && isUpright(points, bounds))
    if (short >= LEAST_SIDE && long <= MOST_SIDE && long <= SQUARE * short)
      squares.push(bounds.minX, bounds.minY, bounds.maxX, bounds.maxY);
  const ends = isClosed ? [...points, points[0]] : points;
  for (let k = 1; k < ends.length; k++) {
    const [a, b] = [ends[k - 1], ends[k]];
    const long = distance(a, b);
    if (long >= SHORTEST) rules.push(a.x, a.y, b.x, b.y);
    else if (long >= SHORTEST_EDGE && isStraight(a, b)) edges.push(a.x, a.y, b.x, b.y);
  }
}

/** Level or upright. */
const isStraight = (a: Vec, b: Vec): boolean =>
  Math.min(Math.abs(a.x - b.x), Math.abs(a.y - b.y)) < TOUCHING;

/** Every corner of it is one of its bounds. */
const isUpright = (points: readonly Vec[], { minX, minY, maxX, maxY }: Box): boolean =>
  points.length >= 4 &&
  points.every(
    ({ x, y }) =>
      Math.min(Math.abs(x - minX), Math.abs(x - maxX)) < TOUCHING &&
      Math.min(Math.abs(y - minY), Math.abs(y - maxY)) < TOUCHING,
  );
