import { type Drawing, drawingBounds, filledPath } from '../drawing/index.ts';
import { type Box, type Path, type Vec } from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';

const drawings = new WeakMap<Mark, Drawing>();
const outlines = new WeakMap<Mark, Path>();
const bounds = new WeakMap<Mark, Box>();
const roughBounds = new WeakMap<Mark, Box>();

function cached<T extends object>(cache: WeakMap<Mark, T>, mark: Mark, make: () => T): T {
  let value = cache.get(mark);
  if (!value) cache.set(mark, (value = make()));
  return value;
}

/** How a mark is drawn, for every sink; kept as long as the mark. */
export const drawingOf = (mark: Mark): Drawing =>
  cached(drawings, mark, () => kindFor(mark).draw(mark));

/** Everything a mark fills, as one path; kept as long as the mark. */
export const outlineOf = (mark: Mark): Path =>
  cached(outlines, mark, () => filledPath(drawingOf(mark)));

export const boundsOf = (mark: Mark): Box =>
  cached(bounds, mark, () => drawingBounds(drawingOf(mark)));

/**
 * About where a mark lies, without drawing it: what asks for thousands of marks at once asks for this. Never smaller
 * than its lines.
 */
export function roughBoundsOf(mark: Mark): Box {
  const known = bounds.get(mark);
  if (known || mark.left) return known ?? boundsOf(mark);
  return cached(roughBounds, mark, () => kindFor(mark).roughBounds(mark));
}

/** Whether a mark is multiplied onto the page, beneath the others. */
export const liesBeneath = (mark: Mark): boolean => kindFor(mark).plane(mark) === 'beneath';

/** A polygon around a box. */
export const boxCorners = ({ minX, minY, maxX, maxY }: Box): readonly Vec[] => [
  { x: minX, y: minY },
  { x: maxX, y: minY },
  { x: maxX, y: maxY },
  { x: minX, y: maxY },
];
