import { PDFCrossRefStream } from '@cantoo/pdf-lib';

interface Entry {
  readonly ref: { readonly objectNumber: number };
}

/**
 * The library looks through every entry it has for the place of each new one, so that saving takes time with
 * the square of the number of objects. Entries come nearly in order: the end is tried first, then halving.
 */
function appendEntry(this: { entries: Entry[] }, entry: Entry): void {
  const { entries } = this;
  const number = entry.ref.objectNumber;
  let low = 0;
  let high = entries.length;
  if (high > 0 && entries[high - 1].ref.objectNumber <= number) low = high;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (entries[middle].ref.objectNumber > number) high = middle;
    else low = middle + 1;
  }
  entries.splice(low, 0, entry);
}

/** Makes saving large documents quick; does nothing where the library has changed. */
export function quickenCrossReferences(): void {
  const prototype = PDFCrossRefStream.prototype as unknown as { appendEntry?: unknown };
  if (typeof prototype.appendEntry === 'function') prototype.appendEntry = appendEntry;
}
