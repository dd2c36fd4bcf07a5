import type { Box } from '@marginalis/core/geometry';

/** A picture, four bytes a pixel (red, green, blue, opacity), row by row from the top. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

export const BLOCK = 4;
/** Mean grey levels by which two blocks may differ. */
export const LEVELS = 48;

/** Mean brightness of each 4 × 4 block. */
function blocks(p: Picture): { columns: number; rows: number; means: Float64Array } {
  const columns = Math.floor(p.width / BLOCK);
  const rows = Math.floor(p.height / BLOCK);
  const means = new Float64Array(columns * rows);
  for (let y = 0; y < rows * BLOCK; y++)
    for (let x = 0; x < columns * BLOCK; x++) {
      const i = 4 * (y * p.width + x);
      const grey = (p.data[i] + p.data[i + 1] + p.data[i + 2]) / 3;
      means[Math.floor(y / BLOCK) * columns + Math.floor(x / BLOCK)] += grey / (BLOCK * BLOCK);
    }
  return { columns, rows, means };
}

/** The share of blocks that differ by more than {@link LEVELS}. */
export function differingShare(a: Picture, b: Picture): number {
  const [p, q] = [blocks(a), blocks(b)];
  requireSameSize(a, b);
  let count = 0;
  p.means.forEach((m, i) => {
    if (Math.abs(m - q.means[i]) > LEVELS) count++;
  });
  return count / p.means.length;
}

/** What marks changed on a page: the absolute difference of a picture with and one without them. */
export function changeBetween(without: Picture, withMarks: Picture): Picture {
  requireSameSize(without, withMarks);
  const data = new Uint8Array(without.data.length);
  for (let i = 0; i < data.length; i++) data[i] = Math.abs(without.data[i] - withMarks.data[i]);
  return { ...without, data };
}

/**
 * How far two renderers' pictures of the same marks are apart: the summed difference of their blocks as a
 * share of everything the marks changed. 0 is alike; a missing stroke counts with its whole share of ink.
 */
export function marksApart(a: Picture, b: Picture): number {
  requireSameSize(a, b);
  const [p, q] = [blocks(a), blocks(b)];
  let apart = 0;
  let all = 0;
  p.means.forEach((m, i) => {
    // Within a block antialiasing differs from renderer to renderer; a stroke that is there covers it alike.
    apart += Math.max(0, Math.abs(m - q.means[i]) - 6);
    all += Math.max(m, q.means[i]);
  });
  if (all === 0) throw new RangeError('There are no marks to compare.');
  return apart / all;
}

/** The picture with a box of it (pixels, y down) painted white. */
export function without(p: Picture, { minX, minY, maxX, maxY }: Box): Picture {
  const data = p.data.slice();
  const [left, right] = [Math.max(0, Math.floor(minX)), Math.min(p.width, Math.ceil(maxX))];
  for (let y = Math.max(0, Math.floor(minY)); y < Math.min(p.height, Math.ceil(maxY)); y++)
    if (right > left) data.fill(255, 4 * (y * p.width + left), 4 * (y * p.width + right));
  return { ...p, data };
}

/** The upper left part; renderers round the size of a page differently by a pixel. */
export function cropped(p: Picture, width: number, height: number): Picture {
  if (width > p.width || height > p.height) throw new RangeError('A crop lies within its picture.');
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++)
    data.set(p.data.subarray(4 * y * p.width, 4 * (y * p.width + width)), 4 * y * width);
  return { width, height, data };
}

function requireSameSize(a: Picture, b: Picture): void {
  if (a.width !== b.width || a.height !== b.height)
    throw new RangeError(
      `Pictures of ${a.width} × ${a.height} and ${b.width} × ${b.height} cannot be compared.`,
    );
}
