import { type Change, type Transaction } from '../document/index.ts';
import { type Box, uniteBoxes } from '../geometry/index.ts';
import type { PageId } from '../marks/index.ts';
import { roughBoundsOf } from './drawingOf.ts';

/** A part of a page in user space; null is the page as a whole. */
type Place = readonly [page: PageId, area: Box | null];

/** Where a change is seen once it is made: what goes is where it was. Nowhere where it is of no place. */
function placeOf(change: Change): Place | null {
  switch (change.part) {
    case 'mark': {
      const mark = change.after ?? change.before;
      return mark && [mark.page, roughBoundsOf(mark)];
    }
    case 'link': {
      const link = change.after ?? change.before;
      return link && [link.page, link.area];
    }
    case 'page':
      return [change.id, null];
    case 'bookmark': {
      const bookmark = change.after ?? change.before;
      return bookmark && [bookmark.page, null];
    }
    case 'thread':
    case 'tag':
    case 'attachment':
      return null;
  }
}

/** Where on its pages a transaction changes something, in the order of its changes. */
export function changedPlaces({ changes }: Transaction): ReadonlyMap<PageId, Box | null> {
  const places = new Map<PageId, Box | null>();
  for (const [page, area] of changes.map(placeOf).filter((place) => place !== null)) {
    const before = places.get(page);
    places.set(page, before && area ? uniteBoxes(before, area) : before === null ? null : area);
  }
  return places;
}
