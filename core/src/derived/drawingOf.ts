import { type Drawing, drawingBounds, filledPath } from '../drawing/index.ts';
import { type Box, type Path, pathBounds } from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';

/** What is worked out of a mark, as it is asked for. */
interface Known {
  drawing?: Drawing;
  outline?: Path;
  bounds?: Box;
  roughBounds?: Box;
}

/** One entry a mark: each costs the collector of garbage more than what it holds. */
const known = new WeakMap<Mark, Known>();

function knownOf(mark: Mark): Known {
  let all = known.get(mark);
  if (!all) known.set(mark, (all = {}));
  return all;
}

const drawnIn = (mark: Mark, all: Known): Drawing => (all.drawing ??= kindFor(mark).draw(mark));

/** How a mark is drawn, for every sink; kept as long as the mark. */
export const drawingOf = (mark: Mark): Drawing => drawnIn(mark, knownOf(mark));

/** How a mark is drawn, where that was worked out before; null where it was not. */
export const drawingKnown = (mark: Mark): Drawing | null => known.get(mark)?.drawing ?? null;

/** Takes what was worked out of the same mark elsewhere. */
export function keepDrawing(mark: Mark, drawing: Drawing): void {
  knownOf(mark).drawing ??= drawing;
}

/** Everything a mark fills, as one path; kept as long as the mark. */
export function outlineOf(mark: Mark): Path {
  const { outline } = kindFor(mark);
  if (outline) return outline(mark);
  const all = knownOf(mark);
  return (all.outline ??= filledPath(drawnIn(mark, all)));
}

function boundsIn(mark: Mark, all: Known): Box {
  const { bounds, outline } = kindFor(mark);
  if (bounds) return bounds(mark);
  return outline ? pathBounds(outline(mark)) : drawingBounds(drawnIn(mark, all));
}

export function boundsOf(mark: Mark): Box {
  const all = knownOf(mark);
  return (all.bounds ??= boundsIn(mark, all));
}

/**
 * About where a mark lies, without drawing it: what asks for thousands of marks at once asks for this. Never smaller
 * than its lines.
 */
export function roughBoundsOf(mark: Mark): Box {
  const all = knownOf(mark);
  if (all.bounds || mark.left) return boundsOf(mark);
  return (all.roughBounds ??= kindFor(mark).roughBounds(mark));
}

/** Whether a mark is multiplied onto the page, beneath the others. */
export const liesBeneath = (mark: Mark): boolean => kindFor(mark).plane(mark) === 'beneath';
