import type { Raster } from '../pdfium/index.ts';

/** Levels by which a mark must change the page to be looked for. */
const SEEN = 10;
/** Of the pixels of a mark that must show it. */
const SHARE = 0.8;

/**
 * Which marks are found at their places: each pixel that is a mark's own must be nearer to what is wanted there than to
 * the bare page. Marks that cannot be seen, beneath others or in the colour of the page, count as found.
 * @param owners which mark each pixel belongs to; -1 for none
 * @returns for each mark whether it is found
 */
export function marksFound(
  owners: Int32Array,
  count: number,
  {
    bare,
    wanted,
    found,
  }: { readonly bare: Raster; readonly wanted: Raster; readonly found: Raster },
): boolean[] {
  const seen = new Uint32Array(count);
  const shown = new Uint32Array(count);
  for (let i = 0; i < owners.length; i++) {
    const owner = owners[i];
    if (owner < 0) continue;
    const change = apart(bare.data, wanted.data, i);
    if (change < SEEN) continue;
    seen[owner]++;
    if (apart(found.data, wanted.data, i) < apart(found.data, bare.data, i)) shown[owner]++;
  }
  return Array.from(seen, (all, k) => shown[k] >= SHARE * all);
}

function apart(a: Uint8ClampedArray, b: Uint8ClampedArray, i: number): number {
  const k = 4 * i;
  return Math.max(
    Math.abs(a[k] - b[k]),
    Math.abs(a[k + 1] - b[k + 1]),
    Math.abs(a[k + 2] - b[k + 2]),
  );
}
