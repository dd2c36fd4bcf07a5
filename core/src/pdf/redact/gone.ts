import { type Box, boxCorners, type Convex, convexArea, growBox } from '../../geometry/index.ts';
import { areasOfQuads, type Quad } from '../../print/index.ts';

/** What is to be gone from a page. */
export interface Gone {
  /** All that lies within these, in user space. */
  readonly areas: readonly Convex[];
  /** What is seen of the page, where that is to look as it did: letters that reach into it stay, and pixels beside it. */
  readonly spared: Convex | null;
}

/** All that lies beneath bars. */
export const beneathBars = (quads: readonly Quad[]): Gone => ({
  areas: areasOfQuads(quads),
  spared: null,
});

/** So near the edge nothing is cut, points: fills and lines are drawn softly there. */
const RIM = 1;
/** Pages are no larger (ISO 32000-1, annex C), points; what lies farther out is not looked for. */
const FAR = 14_400;

/** All that lies beyond what is seen of a page. */
export function cutAway(seen: Box): Gone {
  const { minX, minY, maxX, maxY } = growBox(seen, RIM);
  const out = growBox(seen, FAR);
  // They overlap: lines are cut a little within each.
  const around: Box[] = [
    { ...out, maxX: minX },
    { ...out, minX: maxX },
    { ...out, maxY: minY },
    { ...out, minY: maxY },
  ];
  return { areas: around.flatMap(areaOf), spared: areaOf(seen)[0] ?? null };
}

const areaOf = (box: Box): Convex[] => {
  const area = convexArea(boxCorners(box));
  return area ? [area] : [];
};
