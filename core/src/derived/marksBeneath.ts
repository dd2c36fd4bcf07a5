import type { PageMarks } from '../document/index.ts';
import { boxCorners, type Convex, convexArea, convexMeet } from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import { aroundQuad, type Quad } from '../print/index.ts';
import { redactedOn } from './redactedOn.ts';
import { boundsOf } from './drawingOf.ts';

/** Bars as areas; those without an inside hide nothing. */
export const areasOfBars = (quads: readonly Quad[]): Convex[] =>
  quads.flatMap((quad) => convexArea(aroundQuad(quad)) ?? []);

/** Marks of which some lies beneath, bars left out. */
export function marksBeneath(marks: PageMarks): Map<string, Mark> {
  const areas = areasOfBars(redactedOn(marks));
  if (areas.length === 0) return new Map();
  return new Map(
    [...marks].filter(([, mark]) => {
      if (kindFor(mark).redacts) return false;
      const own = convexArea(boxCorners(boundsOf(mark)));
      return own !== null && areas.some((area) => convexMeet(area, own));
    }),
  );
}
