import type { PageMarks } from '../document/index.ts';
import { boxCorners, convexArea, convexMeet } from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import { areasOfQuads } from '../print/index.ts';
import { boundsOf } from './drawingOf.ts';
import { redactedOn } from './redactedOn.ts';

/** Marks of which some lies beneath, bars left out. */
export function marksBeneath(marks: PageMarks): Map<string, Mark> {
  const areas = areasOfQuads(redactedOn(marks));
  if (areas.length === 0) return new Map();
  return new Map(
    [...marks].filter(([, mark]) => {
      if (kindFor(mark).redacts) return false;
      const own = convexArea(boxCorners(boundsOf(mark)));
      return own !== null && areas.some((area) => convexMeet(area, own));
    }),
  );
}
