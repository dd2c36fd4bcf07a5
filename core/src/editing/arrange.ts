import {
  type DocState,
  inOrder,
  marksOn,
  type Transaction,
  markChange,
} from '../document/index.ts';
import { type Box, boxCentre, boxHeight, boxWidth, moveBy, type Vec } from '../geometry/index.ts';
import { type Mark } from '../kinds/index.ts';
import { type MarkId, without } from '../marks/index.ts';
import { boundsOfAll, carryMark, changeable, movable } from './carry.ts';

/** Puts marks into a group of their own, so that they are picked together; null when there are fewer than two. */
export function groupMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  group: string,
): Transaction | null {
  const marks = changeable(state, ids);
  if (marks.length < 2) return null;
  const changes = marks.map((before) => markChange(before, { ...before, group }));
  return { label: `Group ${marks.length} marks`, changes };
}

/** Takes marks out of their groups; null when none is in one. */
export function ungroupMarks(state: DocState, ids: Iterable<MarkId>): Transaction | null {
  const marks = changeable(state, ids).filter(({ group }) => group !== undefined);
  if (marks.length === 0) return null;
  const changes = marks.map((before) => markChange(before, without(before, 'group')));
  return { label: 'Ungroup', changes };
}

/** Lays marks over all others of their page, or beneath them; null when they lie there already. */
export function orderMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  where: 'front' | 'back',
): Transaction | null {
  const marks = changeable(state, ids);
  if (marks.length === 0) return null;
  const mine = new Set(marks.map(({ id }) => id));
  const all = inOrder(marksOn(state, marks[0].page));
  const others = all.filter(({ id }) => !mine.has(id));
  const sorted = where === 'front' ? [...others, ...marks] : [...marks, ...others];
  if (others.length === 0 || all.every((mark, k) => mark === sorted[k])) return null;
  const outer = where === 'front' ? others[others.length - 1].order : others[0].order;
  const changes = marks.map((before, k) => {
    const order = where === 'front' ? outer + 1 + k : outer - marks.length + k;
    return markChange(before, { ...before, order });
  });
  return { label: where === 'front' ? 'Bring to the front' : 'Send to the back', changes };
}

/** The side of the marks, or the middle between two sides, that is brought into line. */
export type Alignment = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

/** How far along an axis a box is, for aligning. Up is where y grows: pages that are turned are the caller's business. */
function edgeOf(b: Box, side: Alignment): number {
  switch (side) {
    case 'left':
      return b.minX;
    case 'right':
      return b.maxX;
    case 'centre':
      return boxCentre(b).x;
    case 'top':
      return b.maxY;
    case 'bottom':
      return b.minY;
    case 'middle':
      return boxCentre(b).y;
  }
}

const acrossBy = (side: Alignment, by: number): Vec =>
  side === 'left' || side === 'centre' || side === 'right' ? { x: by, y: 0 } : { x: 0, y: by };

/** Moves marks so that a side of each lies where that of all of them lies; groups move as one. */
export function alignMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  side: Alignment,
): Transaction | null {
  const bundles = bundlesOf(movable(state, ids));
  if (bundles.length < 2) return null;
  const goal = edgeOf(boundsOfAll(bundles.flat()), side);
  return moved(bundles, 'Align', (bundle) =>
    acrossBy(side, goal - edgeOf(boundsOfAll(bundle), side)),
  );
}

/** Spreads marks so that the gaps between them are equal; the outermost stay. Null for fewer than three. */
export function distributeMarks(
  state: DocState,
  ids: Iterable<MarkId>,
  way: 'across' | 'down',
): Transaction | null {
  const low = (b: Box): number => (way === 'across' ? b.minX : b.minY);
  const sizeOf = way === 'across' ? boxWidth : boxHeight;
  const bundles = bundlesOf(movable(state, ids)).sort(
    (a, b) => low(boundsOfAll(a)) - low(boundsOfAll(b)),
  );
  if (bundles.length < 3) return null;
  const boxes = bundles.map(boundsOfAll);
  const last = boxes[boxes.length - 1];
  const free =
    low(last) + sizeOf(last) - low(boxes[0]) - boxes.reduce((sum, b) => sum + sizeOf(b), 0);
  const gap = free / (boxes.length - 1);
  let at = low(boxes[0]);
  const starts = boxes.map((b) => {
    const start = at;
    at += sizeOf(b) + gap;
    return start;
  });
  return moved(bundles, 'Spread evenly', (_, k) => {
    const by = starts[k] - low(boxes[k]);
    return way === 'across' ? { x: by, y: 0 } : { x: 0, y: by };
  });
}

function moved(
  bundles: readonly (readonly Mark[])[],
  label: string,
  by: (bundle: readonly Mark[], k: number) => Vec,
): Transaction | null {
  const changes = bundles.flatMap((bundle, k) => {
    const way = by(bundle, k);
    if (Math.hypot(way.x, way.y) < 1e-9) return [];
    return bundle.map((before) => markChange(before, carryMark(before, moveBy(way))));
  });
  return changes.length === 0 ? null : { label, changes };
}

/** Marks that move together: those of one group, and each of the others. */
function bundlesOf(marks: readonly Mark[]): Mark[][] {
  const bundles = new Map<string, Mark[]>();
  for (const mark of marks) {
    const key = mark.group ? `group ${mark.group}` : `mark ${mark.id}`;
    const bundle = bundles.get(key);
    if (bundle) bundle.push(mark);
    else bundles.set(key, [mark]);
  }
  return [...bundles.values()];
}
