import { add, distance, lerp, scale, subtract, type Vec, vec } from '../geometry/index.ts';
import type { Figure } from './figure.ts';
import { boxOf, rectangleCorners } from './figurePath.ts';
import { type DragManners, inSteps } from './dragHandle.ts';

/** Figures that are drawn by dragging from one place to another. */
export const DRAGGED_KINDS = ['line', 'arrow', 'rectangle', 'ellipse'] as const;
export type DraggedKind = (typeof DRAGGED_KINDS)[number];
/** Figures whose corners are tapped one after the other. */
export const TAPPED_KINDS = ['polyline', 'polygon', 'cloud'] as const;
export type TappedKind = (typeof TAPPED_KINDS)[number];

/** Whether a figure is drawn by dragging. */
export const isDragged = (kind: string): kind is DraggedKind =>
  (DRAGGED_KINDS as readonly string[]).includes(kind);

/** An arrow's head in shares of its length, and at most so long, points. */
const HEAD_SHARE = 0.25;
const LONGEST_HEAD = 14;

/** The figure dragged from `from` to `to`; null while it has no size. */
export function draggedFigure(
  kind: DraggedKind,
  from: Vec,
  to: Vec,
  { even = false, fromCentre = false }: DragManners = {},
): Figure | null {
  if (distance(from, to) < 1) return null;
  if (kind === 'line' || kind === 'arrow') {
    const end = even ? inSteps(from, to) : to;
    const start = fromCentre ? subtract(scale(from, 2), end) : from;
    if (kind === 'line') return { kind, from: start, to: end };
    const head = Math.min(LONGEST_HEAD, HEAD_SHARE * distance(start, end));
    return { kind, from: start, to: end, head };
  }
  const d = subtract(to, from);
  const size = Math.max(Math.abs(d.x), Math.abs(d.y));
  const reach = even ? vec(Math.sign(d.x || 1) * size, Math.sign(d.y || 1) * size) : d;
  const centre = fromCentre ? from : lerp(from, add(from, reach), 0.5);
  const width = Math.abs(reach.x) * (fromCentre ? 2 : 1);
  const height = Math.abs(reach.y) * (fromCentre ? 2 : 1);
  if (width === 0 || height === 0) return null;
  if (kind === 'rectangle')
    return even
      ? { kind: 'square', centre, side: width, angle: 0 }
      : { kind, centre, width, height, angle: 0 };
  if (even) return { kind: 'circle', centre, radius: width / 2 };
  return { kind, centre, rx: width / 2, ry: height / 2, angle: 0 };
}

/** The figure of the corners tapped so far; null while there are too few. */
export function tappedFigure(kind: TappedKind, corners: readonly Vec[]): Figure | null {
  if (corners.length < (kind === 'polyline' ? 2 : 3)) return null;
  return { kind, corners };
}

/** The cloud around the rectangle dragged from `from` to `to`; null while it has no size. */
export function draggedCloud(from: Vec, to: Vec, manners: DragManners = {}): Figure | null {
  const box = draggedFigure('rectangle', from, to, manners);
  if (box?.kind !== 'rectangle' && box?.kind !== 'square') return null;
  return { kind: 'cloud', corners: rectangleCorners(boxOf(box)) };
}

/** A corner as it is meant: in steps of 15° from the one before when `even`. */
export const tappedCorner = (before: Vec | undefined, at: Vec, even: boolean): Vec =>
  even && before ? inSteps(before, at) : at;
