import { boxCorners, type Vec } from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import { leftOf, type MarkLine } from '../marks/index.ts';
import { boundsOf } from './drawingOf.ts';

const NONE: readonly MarkLine[] = [];

/** The lines a mark was drawn along, before any of it was rubbed out; none where it is not drawn along lines. */
export const wholeLines = (mark: Mark): readonly MarkLine[] => kindFor(mark).lines?.(mark) ?? NONE;

/** The lines that are left of a mark: what rubbing goes along. */
export const linesOf = (mark: Mark): readonly MarkLine[] => leftOf(mark, wholeLines(mark));

const centrelines = new WeakMap<Mark, readonly (readonly Vec[])[]>();

/** The lines that are left of a mark, points; around its areas where it is drawn along none. */
export function centrelinesOf(mark: Mark): readonly (readonly Vec[])[] {
  let lines = centrelines.get(mark);
  if (!lines) {
    lines = kindFor(mark).lines
      ? linesOf(mark).map(({ points }) => points)
      : areasOf(mark).map((area) => [...area, area[0]]);
    centrelines.set(mark, lines);
  }
  return lines;
}

/** Polygons in which a mark is met anywhere. */
export function areasOf(mark: Mark): readonly (readonly Vec[])[] {
  const kind = kindFor(mark);
  return kind.areas?.(mark) ?? (kind.lines ? [] : [boxCorners(boundsOf(mark))]);
}

/** How far a mark's ink reaches to either side of a point of its lines, points. */
export function reachOf(mark: Mark): (point: Vec) => number {
  const kind = kindFor(mark);
  return kind.reach?.(mark) ?? (() => (kind.lines ? mark.style.width / 2 : 0));
}
