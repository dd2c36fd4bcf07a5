import type { DocState, Page } from '../document/index.ts';
import type { Drawing } from '../drawing/index.ts';
import { framePath } from '../geometry/index.ts';
import { leadOf } from './leads.ts';
import { ownLinksOn, partsOfLink } from './pageLinks.ts';

/** The line around a link that has a frame, just within its area; points, and `#rrggbb`: on paper it has one colour. */
export const FRAME = { width: 1, colour: '#1f3361' } as const;

/** What one's own links draw on a page. */
export const framesOn = (document: DocState, { id }: Page): Drawing =>
  ownLinksOn(document, id)
    .filter(({ framed, to }) => framed && to !== null && leadOf(document, to) !== null)
    .flatMap(partsOfLink)
    .map((area) => ({
      is: 'fill',
      path: framePath(area, FRAME.width),
      paint: { colour: FRAME.colour, opacity: 1 },
    }));

/** By how many the links of a page are more than those its file has on it; a link of the file counts as one where it was changed or removed. */
export const linksAdded = (document: DocState, { id }: Page): number =>
  ownLinksOn(document, id).reduce((sum, link) => {
    const isThere = link.to !== null && leadOf(document, link.to) !== null;
    return sum + (isThere ? partsOfLink(link).length : 0) - (link.instead ? 1 : 0);
  }, 0);
