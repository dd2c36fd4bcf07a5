import {
  add,
  distance,
  dot,
  lerp,
  rotate,
  scale,
  subtract,
  type Vec,
  vec,
} from '../geometry/index.ts';
import type { Figure } from './figure.ts';
import { boxOf, rectangleCorners } from './figurePath.ts';
import { acrossOf, centreOf } from './handles.ts';
import { moveFigure, turnFigure } from './moveFigure.ts';

/** How a handle is dragged. */
export interface DragManners {
  /** Keeps proportions, and lines to multiples of 15°. */
  readonly even?: boolean;
  /** The opposite side follows, so that the centre stays. */
  readonly fromCentre?: boolean;
}

const SMALLEST = 2;
const STEP = Math.PI / 12;

/** The figure after one of its handles was dragged to `to`. */
export function dragHandle(figure: Figure, id: string, to: Vec, manners: DragManners = {}): Figure {
  if (id === 'move') return moveFigure(figure, subtract(to, centreOf(figure)));
  if (id === 'turn') {
    const centre = centreOf(figure);
    const { x, y } = subtract(to, centre);
    const angle = Math.atan2(y, x) - Math.PI / 2;
    return turnFigure(figure, manners.even ? Math.round(angle / STEP) * STEP : angle, centre);
  }
  const k = Number(id.slice(1));
  switch (figure.kind) {
    case 'line':
    case 'arrow':
    case 'brace':
    case 'bracket':
      return dragEnd(figure, id, to, manners);
    case 'polyline':
    case 'polygon':
    case 'cloud': {
      const corners = [...figure.corners];
      corners.splice(id[0] === 'a' ? k + 1 : k, id[0] === 'a' ? 0 : 1, to);
      return { ...figure, corners };
    }
    case 'triangle':
    case 'tick': {
      const [a, b, c] = figure.corners.map((p, i) => (i === k ? to : p));
      return { ...figure, corners: [a, b, c] };
    }
    case 'parallelogram': {
      // The corner across follows, so that sides stay parallel.
      const centre = centreOf(figure);
      const across = subtract(scale(centre, 2), to);
      const [a, b, c, d] = figure.corners.map((p, i) =>
        i === k ? to : i === (k + 2) % 4 ? across : p,
      );
      return { ...figure, corners: [a, b, c, d] };
    }
    case 'curve': {
      const [a, b, c, d] = figure.points.map((p, i) => (i === k ? to : p));
      return { ...figure, points: [a, b, c, d] };
    }
    case 'cross': {
      const [a, b, c, d] = [...figure.first, ...figure.second].map((p, i) => (i === k ? to : p));
      return { ...figure, first: [a, b], second: [c, d] };
    }
    case 'arc':
      return dragArc(figure, id, to);
    case 'circle':
      return { ...figure, radius: Math.max(SMALLEST, distance(to, figure.centre)) };
    case 'star': {
      const reach = Math.max(SMALLEST, distance(to, figure.centre));
      if (id === 'inner') return { ...figure, inner: Math.min(reach, figure.outer) };
      const { x, y } = subtract(to, figure.centre);
      return {
        ...figure,
        outer: reach,
        inner: (figure.inner * reach) / figure.outer,
        angle: Math.atan2(y, x),
      };
    }
    case 'ellipse':
      return dragAxis(figure, k, to, manners);
    case 'diamond': {
      const half = Math.max(
        SMALLEST,
        Math.abs(rotate(subtract(to, figure.centre), -figure.angle)[k % 2 === 0 ? 'x' : 'y']),
      );
      const grown = k % 2 === 0 ? { width: 2 * half } : { height: 2 * half };
      return { ...figure, ...grown };
    }
    case 'square':
    case 'rectangle':
      return dragBox(figure, k, to, manners);
  }
}

/** A polyline or polygon without one of its corners; null when too few would be left. */
export function withoutCorner(figure: Figure, id: string): Figure | null {
  if (!id.startsWith('c') || !('corners' in figure)) return null;
  if (figure.kind !== 'polyline' && figure.kind !== 'polygon' && figure.kind !== 'cloud')
    return null;
  if (figure.corners.length <= (figure.kind === 'polyline' ? 2 : 3)) return null;
  return { ...figure, corners: figure.corners.filter((_, k) => k !== Number(id.slice(1))) };
}

function dragEnd(
  figure: Extract<Figure, { from: Vec }>,
  id: string,
  to: Vec,
  { even, fromCentre }: DragManners,
): Figure {
  if (id === 'depth' && 'depth' in figure) {
    const unit = acrossOf({ ...figure, depth: 1 });
    return { ...figure, depth: dot(subtract(to, lerp(figure.from, figure.to, 0.5)), unit) };
  }
  const other = id === 'from' ? figure.to : figure.from;
  const centre = lerp(figure.from, figure.to, 0.5);
  const end = even ? inSteps(fromCentre ? centre : other, to) : to;
  const across = fromCentre ? subtract(scale(centre, 2), end) : other;
  return id === 'from'
    ? { ...figure, from: end, to: across }
    : { ...figure, from: across, to: end };
}

/** `to` moved to the nearest direction in steps of 15° as seen from `from`, as far away. */
export function inSteps(from: Vec, to: Vec): Vec {
  const { x, y } = subtract(to, from);
  const angle = Math.round(Math.atan2(y, x) / STEP) * STEP;
  return add(from, rotate(vec(Math.hypot(x, y), 0), angle));
}

function dragArc(figure: Extract<Figure, { kind: 'arc' }>, id: string, to: Vec): Figure {
  const { x, y } = subtract(to, figure.centre);
  if (id === 'radius') return { ...figure, radius: Math.max(SMALLEST, Math.hypot(x, y)) };
  const angle = Math.atan2(y, x);
  const turned = (from: number): number => {
    const d = angle - from;
    return d - 2 * Math.PI * Math.round(d / (2 * Math.PI));
  };
  if (id === 'end') return { ...figure, sweep: figure.sweep + turned(figure.start + figure.sweep) };
  const by = turned(figure.start);
  return { ...figure, start: figure.start + by, sweep: figure.sweep - by };
}

/** End `k` of an ellipse's axes goes as far out as `to`. */
function dragAxis(
  figure: Extract<Figure, { kind: 'ellipse' }>,
  k: number,
  to: Vec,
  { even }: DragManners,
): Figure {
  const isLength = k % 2 === 0;
  const d = rotate(subtract(to, figure.centre), -figure.angle);
  const reach = Math.max(SMALLEST, Math.abs(isLength ? d.x : d.y));
  const grown = reach / (isLength ? figure.rx : figure.ry);
  if (even) return { ...figure, rx: figure.rx * grown, ry: figure.ry * grown };
  return isLength ? { ...figure, rx: reach } : { ...figure, ry: reach };
}

/** Corner `k` of a box goes to `to`; the one across stays, or follows when the centre stays. */
function dragBox(
  figure: Extract<Figure, { kind: 'square' | 'rectangle' }>,
  k: number,
  to: Vec,
  { even, fromCentre }: DragManners,
): Figure {
  const box = boxOf(figure);
  const across = rectangleCorners(box)[(k + 2) % 4];
  const anchor = fromCentre ? box.centre : across;
  const d = rotate(subtract(to, anchor), -box.angle);
  const share = fromCentre ? 2 : 1;
  let width = Math.max(SMALLEST, Math.abs(d.x) * share);
  let height = Math.max(SMALLEST, Math.abs(d.y) * share);
  if (figure.kind === 'square') width = height = Math.max(width, height);
  else if (even) {
    const grown = Math.max(width / box.width, height / box.height);
    width = box.width * grown;
    height = box.height * grown;
  }
  const half = vec((Math.sign(d.x || 1) * width) / 2, (Math.sign(d.y || 1) * height) / 2);
  const centre = fromCentre ? box.centre : add(across, rotate(half, box.angle));
  if (figure.kind === 'square') return { ...figure, centre, side: width };
  return { ...figure, centre, width, height };
}
