import {
  type Convex,
  dot,
  isWithin,
  lerp,
  nearestOnSegment,
  polylineLength,
  type Vec,
} from '../../geometry/index.ts';

/** A line or a cubic curve: two points, or four. */
export type Segment = readonly Vec[];

/** What is drawn in one go. */
export interface Subpath {
  readonly segments: readonly Segment[];
  readonly isClosed: boolean;
  /** How far along its line it begins, where it is a part of another: dashes go on as they would have. */
  readonly before?: number;
}

interface Piece {
  readonly segment: Segment;
  readonly isInside: boolean;
}

/** Shares along a segment nearer than this are one. */
const SAME = 1e-9;

/**
 * A path that is filled, without what of it lies within an area: between where it goes in and where it comes out it runs along the area's border instead. Outside
 * nothing changes, for how often a line winds around a place out there does not depend on the way it takes within; and since no such way passes a certain corner,
 * all that is within is filled, or nothing of it: nothing, where a corner is not.
 * @returns null where nothing of it lies within
 */
export function fillOutside(path: readonly Subpath[], area: Convex): Subpath[] | null {
  let changed = false;
  let border: readonly Vec[] | null = null;
  const out = path.flatMap((one): readonly Subpath[] => {
    const pieces = fromOutside(piecesOf(closed(one), area), true);
    if (!pieces.some(({ isInside }) => isInside)) return [one];
    changed = true;
    if (pieces.every(({ isInside }) => isInside)) return [];
    border ??= fromBare(area, path);
    const segments: Segment[] = [];
    let entry: Vec | null = null;
    for (const { segment, isInside } of pieces) {
      if (isInside) {
        entry ??= segment[0];
        continue;
      }
      if (entry) segments.push(...alongBorder(border, entry, segment[0]));
      entry = null;
      segments.push(segment);
    }
    if (entry) segments.push(...alongBorder(border, entry, segments[0][0]));
    return [{ segments, isClosed: true }];
  });
  return changed ? out : null;
}

/** The corners of an area, from one on that is not filled. */
function fromBare({ corners }: Convex, path: readonly Subpath[]): readonly Vec[] {
  const lines = path.map((one) => closed(one).flatMap(pointsAlong));
  const at = corners.findIndex((corner) => isBare(lines, corner));
  return at <= 0 ? corners : [...corners.slice(at), ...corners.slice(0, at)];
}

/** Whether no line winds around a place, or runs through it. */
function isBare(lines: readonly (readonly Vec[])[], p: Vec): boolean {
  let winds = 0;
  for (const points of lines)
    for (let k = 0; k < points.length; k++) {
      const [a, b] = [points[k], points[(k + 1) % points.length]];
      if (nearestOnSegment(p, a, b).distance < NEAR) return false;
      if (a.y <= p.y === b.y <= p.y) continue;
      const x = a.x + ((p.y - a.y) / (b.y - a.y)) * (b.x - a.x);
      if (x > p.x) winds += b.y > a.y ? 1 : -1;
    }
  return winds === 0;
}

/** From one place on an area's border to another, not past its first corner. */
function alongBorder(corners: readonly Vec[], from: Vec, to: Vec): Segment[] {
  const [start, end] = [sideOf(corners, from), sideOf(corners, to)];
  const between =
    start <= end ? corners.slice(start + 1, end + 1) : corners.slice(end + 1, start + 1).reverse();
  const way = [from, ...between, to];
  return way.slice(1).map((p, k) => [way[k], p]);
}

/** The side that a place lies on, by the corner where it begins. */
function sideOf(corners: readonly Vec[], p: Vec): number {
  const far = corners.map(
    (a, k) => nearestOnSegment(p, a, corners[(k + 1) % corners.length]).distance,
  );
  return far.indexOf(Math.min(...far));
}

/** A path whose line is drawn, without what of it lies within an area; null where nothing does. */
export function strokeOutside(path: readonly Subpath[], area: Convex): Subpath[] | null {
  let changed = false;
  const out = path.flatMap((one): readonly Subpath[] => {
    const whole = one.isClosed ? closed(one) : one.segments;
    const pieces = fromOutside(piecesOf(whole, area), one.isClosed);
    if (!pieces.some(({ isInside }) => isInside)) return [one];
    changed = true;
    const parts: { segments: Segment[]; isClosed: false; before: number }[] = [];
    let going = false;
    let before = one.before ?? 0;
    for (const { segment, isInside } of pieces) {
      if (!isInside) {
        if (going) parts[parts.length - 1].segments.push(segment);
        else parts.push({ segments: [segment], isClosed: false, before });
      }
      going = !isInside;
      before += lengthOf(segment);
    }
    return parts;
  });
  return changed ? out : null;
}

/** Lines that a curve is taken for where it need not be exact. */
const STEPS = 32;
/** A line that comes so near to a place may run through it. */
const NEAR = 1e-6;

/** Places along a segment, its end left out. */
function pointsAlong(segment: Segment): Vec[] {
  const steps = segment.length === 2 ? 1 : STEPS;
  return Array.from({ length: steps }, (_, k) => pointAt(segment, k / steps));
}

const lengthOf = (segment: Segment): number =>
  polylineLength([...pointsAlong(segment), segment[segment.length - 1]]);

/** With the line that closes it. */
function closed({ segments }: Subpath): readonly Segment[] {
  if (segments.length === 0) return segments;
  const from = segments[segments.length - 1].at(-1) as Vec;
  const [to] = segments[0];
  return from.x === to.x && from.y === to.y ? segments : [...segments, [from, to]];
}

/** What is closed may begin anywhere: with what comes after the area, so that its ends are there. */
function fromOutside(pieces: readonly Piece[], isClosed: boolean): readonly Piece[] {
  if (!isClosed) return pieces;
  const at = pieces.findIndex(
    ({ isInside }, k) => !isInside && pieces[(k || pieces.length) - 1].isInside,
  );
  return at <= 0 ? pieces : [...pieces.slice(at), ...pieces.slice(0, at)];
}

const piecesOf = (segments: readonly Segment[], area: Convex): Piece[] =>
  segments.flatMap((segment) => {
    const cuts = area.sides
      .flatMap(({ n, d }) => roots(segment.map((p) => dot(n, p) - d)))
      .sort((a, b) => a - b);
    const shares = [0, ...cuts.filter((t) => t > SAME && t < 1 - SAME), 1];
    const pieces: Piece[] = [];
    for (let k = 0; k + 1 < shares.length; k++) {
      const [from, to] = [shares[k], shares[k + 1]];
      if (to - from < SAME) continue;
      pieces.push({
        segment: from === 0 && to === 1 ? segment : partOf(segment, from, to),
        isInside: isWithin(area, pointAt(segment, (from + to) / 2)),
      });
    }
    return joined(pieces, segment);
  });

/** Where a border's line is crossed outside the area nothing is cut. */
function joined(pieces: readonly Piece[], segment: Segment): readonly Piece[] {
  return pieces.some(({ isInside }) => isInside) ? pieces : [{ segment, isInside: false }];
}

/** Where a polynomial by its Bernstein coefficients (1 to 3 as its degree) is nought between 0 and 1. */
function roots(b: readonly number[]): number[] {
  if (b.every((v) => v > 0) || b.every((v) => v < 0)) return [];
  if (b.length === 2)
    return b[0] === b[1] ? [] : [b[0] / (b[0] - b[1])].filter((t) => t >= 0 && t <= 1);
  const found: number[] = [];
  const look = (values: readonly number[], from: number, to: number, depth: number): void => {
    if (values.every((v) => v > 0) || values.every((v) => v < 0)) return;
    if (depth === 0 || values.every((v) => Math.abs(v) < 1e-10)) {
      found.push((from + to) / 2);
      return;
    }
    const middle = (from + to) / 2;
    const [left, right] = halves(values);
    look(left, from, middle, depth - 1);
    look(right, middle, to, depth - 1);
  };
  // Down to 2^-40 of the curve; what lies along a border would be found everywhere.
  if (b.some((v) => Math.abs(v) >= 1e-10)) look(b, 0, 1, 40);
  return found;
}

function halves(values: readonly number[]): [number[], number[]] {
  const left: number[] = [];
  const right: number[] = [];
  let row = [...values];
  while (row.length > 0) {
    left.push(row[0]);
    right.unshift(row[row.length - 1]);
    row = row.slice(1).map((v, k) => (v + row[k]) / 2);
  }
  return [left, right];
}

function pointAt(segment: Segment, t: number): Vec {
  let row = [...segment];
  while (row.length > 1) row = row.slice(1).map((p, k) => lerp(row[k], p, t));
  return row[0];
}

/** The part of a segment between two shares of its way (de Casteljau). */
function partOf(segment: Segment, from: number, to: number): Segment {
  const [, right] = splitAt(segment, from);
  const [left] = splitAt(right, (to - from) / (1 - from));
  return left;
}

function splitAt(segment: Segment, t: number): [Vec[], Vec[]] {
  const left: Vec[] = [];
  const right: Vec[] = [];
  let row = [...segment];
  while (row.length > 0) {
    left.push(row[0]);
    right.unshift(row[row.length - 1]);
    row = row.slice(1).map((p, k) => lerp(row[k], p, t));
  }
  return [left, right];
}
