import {
  type Box,
  boxCentre,
  boxHeight,
  boxOfPoints,
  boxWidth,
  dot,
  IDENTITY,
  type Matrix,
  moveBy,
  scaleAbout,
  subtract,
  transform,
  turnAbout,
  type Vec,
} from '../geometry/index.ts';

/** A place by which the box around picked marks is taken: along x and y, −1 to 1 from its middle; or what else is done. */
export interface BoxHandle {
  readonly id: string;
  readonly name: string;
  readonly act: 'scale' | 'turn' | 'move';
  readonly x: number;
  readonly y: number;
}

const scaling = (id: string, name: string, x: number, y: number): BoxHandle => ({
  id,
  name,
  act: 'scale',
  x,
  y,
});

export const BOX_HANDLES: readonly BoxHandle[] = [
  scaling('nw', 'Scale from the upper left corner', -1, -1),
  scaling('n', 'Stretch upwards', 0, -1),
  scaling('ne', 'Scale from the upper right corner', 1, -1),
  scaling('e', 'Stretch to the right', 1, 0),
  scaling('se', 'Scale from the lower right corner', 1, 1),
  scaling('s', 'Stretch downwards', 0, 1),
  scaling('sw', 'Scale from the lower left corner', -1, 1),
  scaling('w', 'Stretch to the left', -1, 0),
  { id: 'turn', name: 'Turn', act: 'turn', x: 0, y: -1 },
];

/** Turned in steps of so much when asked, radians. */
const STEP = Math.PI / 12;
/** Marks grow no smaller than this share at one go. */
const SMALLEST = 0.04;

/** Where a handle stands, as the box is seen (y down). */
export const handlePlace = (b: Box, { x, y }: BoxHandle): Vec => ({
  x: boxCentre(b).x + (x * boxWidth(b)) / 2,
  y: boxCentre(b).y + (y * boxHeight(b)) / 2,
});

/**
 * Where a handle is dragged to, when what it takes with it stops at the edge of its page (`width` × `height`, as seen) unless
 * it is pushed on by more than `push`. What lies beyond an edge already may stay there, not go farther.
 */
export function stoppedAtEdge(
  b: Box,
  handle: BoxHandle,
  from: Vec,
  to: Vec,
  page: { readonly width: number; readonly height: number },
  push: number,
): Vec {
  if (handle.act === 'turn') return to;
  const part = handle.act === 'move' ? b : boxOfPoints([handlePlace(b, handle)]);
  const stop = (by: number, low: number, high: number): number => {
    const stopped = Math.max(Math.min(0, low), Math.min(Math.max(0, high), by));
    return Math.abs(by - stopped) > push ? by : stopped;
  };
  const by = subtract(to, from);
  return {
    x: from.x + stop(by.x, -part.minX, page.width - part.maxX),
    y: from.y + stop(by.y, -part.minY, page.height - part.maxY),
  };
}

/** Less than this is no change, points. */
const NOTHING = 0.01;

/** Whether a map leaves a box where it is. */
export const leavesAlone = (matrix: Matrix, { minX, minY, maxX, maxY }: Box): boolean =>
  [
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: minX, y: maxY },
  ].every((p) => {
    const q = transform(matrix, p);
    return Math.hypot(q.x - p.x, q.y - p.y) < NOTHING;
  });

/**
 * What becomes of the marks in a box (as seen, y down) when one of its handles is dragged from one place to another.
 * Corners keep proportions unless `free`, and then follow the pointer's projection onto the box's diagonal; turns go in
 * steps of 15° when `even`.
 */
export function boxDrag(
  b: Box,
  handle: BoxHandle,
  from: Vec,
  to: Vec,
  { free = false, even = false }: { free?: boolean; even?: boolean } = {},
): Matrix {
  const by = subtract(to, from);
  if (handle.act === 'move') return moveBy(by);
  const centre = boxCentre(b);
  if (handle.act === 'turn') {
    const angle =
      Math.atan2(to.y - centre.y, to.x - centre.x) -
      Math.atan2(from.y - centre.y, from.x - centre.x);
    return turnAbout(even ? Math.round(angle / STEP) * STEP : angle, centre);
  }
  const anchor = handlePlace(b, { ...handle, x: -handle.x, y: -handle.y });
  const grown = (side: number, size: number, move: number): number =>
    side === 0 || size === 0 ? 1 : Math.max(SMALLEST, (size + side * move) / size);
  let sx = grown(handle.x, boxWidth(b), by.x);
  let sy = grown(handle.y, boxHeight(b), by.y);
  if (handle.x !== 0 && handle.y !== 0 && !free) {
    const diagonal = subtract(handlePlace(b, handle), anchor);
    const length = dot(diagonal, diagonal);
    if (length > 0) sx = sy = Math.max(SMALLEST, 1 + dot(by, diagonal) / length);
  }
  return sx === 1 && sy === 1 ? IDENTITY : scaleAbout(sx, sy, anchor);
}
