import {
  type Box,
  box,
  intersectBoxes,
  invertMatrix,
  type Matrix,
  transformBox,
} from '../geometry/index.ts';
import type { Raster } from '../pdfium/index.ts';

/** Pixels that hang together and are not as they should be. */
export interface Spot {
  readonly box: Box;
  readonly pixels: number;
  /** Of these, those with nothing like them two pixels away either, and more or less ink around: what has only moved by a pixel, or was put on whole pixels, has none. */
  readonly clear: number;
}

/** How two pictures of a page differ. */
export interface Difference {
  /** Pixels that are not white in either. */
  readonly inked: number;
  /** Pixels that differ by more than two renderers' edges do. */
  readonly differing: number;
  /** Where they hang together, the largest first. */
  readonly spots: readonly Spot[];
}

const WHITE = -1;
/** Levels by which a flat colour may differ: opacity and blending are rounded by every renderer in its own way. */
const LEVELS = 12;
/** What clearly differs does so by more: where outlines of one shape cross, some painters leave a pale seam. */
const CLEAR_LEVELS = 24;
/** Where colours meet, of the contrast there: every renderer has its own edges. */
const EDGE = 0.6;

/** Photographs are made smaller by every renderer in its own way: they are compared by squares of so many pixels, whose means may differ by so many levels. */
const SQUARE = 8;
const SQUARE_LEVELS = 28;
/** And so many of whose pixels may have nothing like them beside them. */
const SQUARE_SHARE = 0.2;
/** Their edges, which some renderers lay on whole pixels, are theirs so far beyond, pixels. */
const RIM = 1;

/**
 * Compares two pictures of the same size. A pixel is as it should be where its levels are among those of the nine pixels
 * there in the other picture, or near them; within `photographs` (what carries the unit square onto each, pixels) squares are, where their means are.
 * @throws RangeError when they have not the same size
 */
export function compareRasters(
  wanted: Raster,
  found: Raster,
  photographs: readonly Matrix[] = [],
): Difference {
  const { width, height } = wanted;
  if (width !== found.width || height !== found.height)
    throw new RangeError('Pictures of different sizes cannot be compared.');
  const a = pixelsOf(wanted);
  const b = pixelsOf(found);
  const one = wanted.data;
  const other = found.data;
  const differing = new Uint8Array(a.length);
  const all: number[] = [];
  const coarse = photographs.length > 0 ? new Uint8Array(a.length) : null;
  if (coarse)
    for (const i of photographs.flatMap((at) => coarselyDiffering(wanted, found, at, coarse))) {
      if (differing[i] === 0) all.push(i);
      differing[i] = 1;
    }
  let inked = 0;
  for (let i = 0; i < a.length; i++) {
    if (a[i] === b[i]) {
      if (a[i] !== WHITE) inked++;
      continue;
    }
    inked++;
    const k = 4 * i;
    // Nearly all: a pixel is among its own neighbours.
    if (
      isLevel(one[k], other[k]) &&
      isLevel(one[k + 1], other[k + 1]) &&
      isLevel(one[k + 2], other[k + 2])
    )
      continue;
    if (coarse?.[i] === 1 || !differs(one, other, i, width, height, 1, LEVELS)) continue;
    differing[i] = 1;
    all.push(i);
  }
  const isClear = (i: number): boolean =>
    coarse?.[i] === 1 ||
    (differs(one, other, i, width, height, 2, CLEAR_LEVELS) &&
      isInkedOtherwise(one, other, i, width, height));
  return { inked, differing: all.length, spots: spotsOf(all, differing, width, isClear) };
}

const pixelsOf = ({ data }: Raster): Int32Array =>
  new Int32Array(data.buffer, data.byteOffset, data.byteLength / 4);

const isLevel = (a: number, b: number): boolean => a - b <= LEVELS && b - a <= LEVELS;

function differs(
  a: Uint8ClampedArray,
  b: Uint8ClampedArray,
  at: number,
  width: number,
  height: number,
  around: number,
  levels: number,
): boolean {
  const k0 = 4 * at;
  const apart = Math.max(
    Math.abs(a[k0] - b[k0]),
    Math.abs(a[k0 + 1] - b[k0 + 1]),
    Math.abs(a[k0 + 2] - b[k0 + 2]),
  );
  // Nearly all: a pixel is among its own neighbours.
  if (apart <= levels) return false;
  const x = at % width;
  const y = (at - x) / width;
  const [left, right] = [Math.max(0, x - around), Math.min(width - 1, x + around)];
  const [top, foot] = [Math.max(0, y - around), Math.min(height - 1, y + around)];
  for (let c = 0; c < 3; c++) {
    const [own, other] = [a[4 * at + c], b[4 * at + c]];
    let [lowA, highA, lowB, highB] = [255, 0, 255, 0];
    // Most are among the first few: the others are not looked at then.
    for (let v = top; v <= foot && !isNear(own, other, lowA, highA, lowB, highB, levels); v++)
      for (let u = left; u <= right; u++) {
        const k = 4 * (v * width + u) + c;
        if (a[k] < lowA) lowA = a[k];
        if (a[k] > highA) highA = a[k];
        if (b[k] < lowB) lowB = b[k];
        if (b[k] > highB) highB = b[k];
      }
    const beyond = Math.max(lowB - own, own - highB, lowA - other, other - highA);
    const contrast = Math.max(highA, highB) - Math.min(lowA, lowB);
    if (beyond > Math.max(levels, EDGE * contrast)) return true;
  }
  return false;
}

/** Whether two levels are among those found around in the other picture, or near them. */
const isNear = (
  own: number,
  other: number,
  lowA: number,
  highA: number,
  lowB: number,
  highB: number,
  levels: number,
): boolean =>
  own >= lowB - levels &&
  own <= highB + levels &&
  other >= lowA - levels &&
  other <= highA + levels;

/** By which share the ink around a pixel may differ. */
const INK = 0.3;
const AROUND = 2;

/** Whether there is clearly more or less ink around a pixel in one picture than in the other: how far it takes the levels from the lightest there. */
function isInkedOtherwise(
  a: Uint8ClampedArray,
  b: Uint8ClampedArray,
  at: number,
  width: number,
  height: number,
): boolean {
  const x = at % width;
  const y = (at - x) / width;
  for (let c = 0; c < 3; c++) {
    let [sumA, sumB, lightest, count] = [0, 0, 0, 0];
    for (let v = Math.max(0, y - AROUND); v <= Math.min(height - 1, y + AROUND); v++)
      for (let u = Math.max(0, x - AROUND); u <= Math.min(width - 1, x + AROUND); u++) {
        const k = 4 * (v * width + u) + c;
        sumA += a[k];
        sumB += b[k];
        lightest = Math.max(lightest, a[k], b[k]);
        count++;
      }
    const most = Math.max(count * lightest - sumA, count * lightest - sumB);
    if (Math.abs(sumA - sumB) > INK * most) return true;
  }
  return false;
}

/** The pixels of a photograph in squares that differ; all of its pixels are noted in `coarse`. */
function coarselyDiffering(
  { data: a, width, height }: Raster,
  { data: b }: Raster,
  photograph: Matrix,
  coarse: Uint8Array,
): number[] {
  const around = transformBox(photograph, box(0, 0, 1, 1));
  const { minX, minY, maxX, maxY } = intersectBoxes(around, box(0, 0, width, height));
  const [left, right] = [Math.floor(minX), Math.ceil(maxX)];
  const [top, foot] = [Math.floor(minY), Math.ceil(maxY)];
  const all: number[] = [];
  if (left >= right || top >= foot) return all;
  const isInside = insideOf(photograph);
  const [columns, rows] = [cutsOf(left, right), cutsOf(top, foot)];
  for (let r = 0; r + 1 < rows.length; r++)
    for (let c = 0; c + 1 < columns.length; c++) {
      const own: number[] = [];
      const sums = [0, 0, 0];
      for (let v = rows[r]; v < rows[r + 1]; v++)
        for (let u = columns[c]; u < columns[c + 1]; u++) {
          if (!isInside(u, v)) continue;
          const i = v * width + u;
          own.push(i);
          for (let k = 0; k < 3; k++) sums[k] += a[4 * i + k] - b[4 * i + k];
        }
      for (const i of own) coarse[i] = 1;
      if (!sums.some((sum) => Math.abs(sum) > SQUARE_LEVELS * own.length)) continue;
      // Where dark meets light a pixel more of either is much of a square.
      const other = own.filter((i) => differs(a, b, i, width, height, 1, LEVELS)).length;
      if (other > SQUARE_SHARE * own.length) all.push(...own);
    }
  return all;
}

/** Whether the middle of a pixel lies in a photograph, or at its rim. */
function insideOf(photograph: Matrix): (x: number, y: number) => boolean {
  const [a, b, c, d, e, f] = invertMatrix(photograph);
  const rim = (along: number, across: number): number => RIM * Math.hypot(along, across);
  const [rimU, rimV] = [rim(a, c), rim(b, d)];
  return (x, y) => {
    const [u, v] = [a * (x + 0.5) + c * (y + 0.5) + e, b * (x + 0.5) + d * (y + 0.5) + f];
    return u >= -rimU && u <= 1 + rimU && v >= -rimV && v <= 1 + rimV;
  };
}

/** Where a side is cut into squares: none is narrower than they are to be, or a hairline at its edge would be all there is of it. */
function cutsOf(from: number, to: number): number[] {
  const count = Math.max(1, Math.floor((to - from) / SQUARE));
  return Array.from({ length: count + 1 }, (_, k) => from + Math.round((k * (to - from)) / count));
}

/** What hangs together, also by corners. Uses up `differing`. */
function spotsOf(
  all: readonly number[],
  differing: Uint8Array,
  width: number,
  isClear: (pixel: number) => boolean,
): Spot[] {
  const spots: Spot[] = [];
  for (const start of all) {
    if (differing[start] === 0) continue;
    differing[start] = 0;
    const reached = [start];
    let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let n = 0; n < reached.length; n++) {
      const x = reached[n] % width;
      const y = (reached[n] - x) / width;
      [minX, minY] = [Math.min(minX, x), Math.min(minY, y)];
      [maxX, maxY] = [Math.max(maxX, x), Math.max(maxY, y)];
      for (let v = y - 1; v <= y + 1; v++)
        for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u++) {
          const next = v * width + u;
          if (differing[next] !== 1) continue;
          differing[next] = 0;
          reached.push(next);
        }
    }
    const clear = reached.filter(isClear).length;
    spots.push({ box: box(minX, minY, maxX + 1, maxY + 1), pixels: reached.length, clear });
  }
  return spots.sort((p, q) => q.pixels - p.pixels);
}
