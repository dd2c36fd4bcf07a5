import { markSlots, SLOTS } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import { farOf, type GuidePlace } from '@marginalis/core/guide';

/** Places along the strip that are told apart. */
const PLACES = 240;
const NOWHERE: readonly number[] = [];

const kept = new WeakMap<
  DocState['marks'],
  { pages: DocState['pages']; places: readonly number[] }
>();

/** Those that fall together once, in order. */
function toldApart(places: readonly number[], pages: number): readonly number[] {
  const steps = PLACES / pages;
  const apart = new Set(places.map((place) => Math.floor(place * steps) / steps));
  return [...apart].sort((a, b) => a - b);
}

/** Where marks are, in pages and shares of pages. Kept as long as no mark and no page changes. */
export function placesOfMarks({ pages, marks }: DocState): readonly number[] {
  const known = kept.get(marks);
  if (known?.pages === pages) return known.places;
  const all = pages.flatMap((page, n) => {
    const here = marks.get(page.id);
    return here ? markSlots(page, here).map((slot) => n + slot / SLOTS) : [];
  });
  const places = toldApart(all, pages.length);
  kept.set(marks, { pages, places });
  return places;
}

/** Where hits are, in the same way. */
export const placesOfHits = (
  pages: DocState['pages'],
  hits: readonly GuidePlace[],
): readonly number[] =>
  hits.length === 0
    ? NOWHERE
    : toldApart(
        hits.map((hit) => farOf(pages, hit) ?? 0),
        pages.length,
      );
