import { boundsOf } from '@marginalis/core/derived';
import { type DocState, inOrder, marksOn } from '@marginalis/core/document';
import { boxCentre } from '@marginalis/core/geometry';
import { kindFor } from '@marginalis/core/kinds';
import type { PageLink } from '@marginalis/core/links';

/** What one's own marks say where a link lies, as one line; empty where they say nothing. */
export function typedUnder(document: DocState, { page, area, own }: PageLink): string {
  return inOrder(marksOn(document, page))
    .filter((mark) => {
      if (mark.id === own?.mark) return true;
      const { x, y } = boxCentre(boundsOf(mark));
      return x >= area.minX && x <= area.maxX && y >= area.minY && y <= area.maxY;
    })
    .map((mark) => kindFor(mark).words(mark).text)
    .filter(Boolean)
    .join(' ');
}
