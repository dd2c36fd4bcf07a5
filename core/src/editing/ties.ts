import { boxOfPoints, distance, inPolygon, nearestOnSegment, type Vec } from '../geometry/index.ts';
import type { Figure } from '../figures/index.ts';
import { type FigureMark, kindFor, type Mark, type Tie } from '../kinds/index.ts';

/** An end no farther from a mark's edge is tied to it, points (3 mm). */
const REACH = 8.5;
/** Ends nearer to each other make no line, points. */
const HAIR = 1;

/** A line from one place to another. */
type Line = Extract<Figure, { kind: 'line' | 'arrow' }>;
type Edge = readonly Vec[];
export type Ties = NonNullable<FigureMark['ties']>;

export const isLine = (figure: Figure): figure is Line =>
  figure.kind === 'line' || figure.kind === 'arrow';

export const edgeOf = (mark: Mark): Edge | null => kindFor(mark).edge?.(mark) ?? null;

/** What a line from mark to mark is tied to; null where not both of its ends lie on marks, each on another. */
export function tiesOf(line: Line, others: readonly Mark[]): Ties | null {
  const edges = others.flatMap((mark) => {
    const edge = edgeOf(mark);
    return edge ? [{ mark, edge }] : [];
  });
  const meant = (end: Vec, other: Vec): { mark: Mark; edge: Edge } | null => {
    const met = edges.filter(({ edge }) => isOn(edge, end) && !inPolygon(edge, other));
    // Of marks within each other the innermost.
    return met.sort((a, b) => sizeOf(a.edge) - sizeOf(b.edge))[0] ?? null;
  };
  const from = meant(line.from, line.to);
  const to = meant(line.to, line.from);
  if (!from || !to || from.mark.id === to.mark.id) return null;
  return {
    from: { mark: from.mark.id, at: shareOf(from.edge, line.from) },
    to: { mark: to.mark.id, at: shareOf(to.edge, line.to) },
  };
}

/** A line between the marks that it is tied to, from edge to edge; as it was where they lie over each other. */
export function tiedLine(line: Line, ties: Ties, from: Edge, to: Edge): Line {
  const [a, b] = [placeIn(from, ties.from), placeIn(to, ties.to)];
  const tied = { ...line, from: leaving(from, a, b), to: leaving(to, b, a) };
  return distance(tied.from, tied.to) < HAIR ? line : tied;
}

const isOn = (edge: Edge, at: Vec): boolean =>
  inPolygon(edge, at) ||
  sidesOf(edge).some(([a, b]) => nearestOnSegment(at, a, b).distance < REACH);

const sidesOf = (edge: Edge): (readonly [Vec, Vec])[] =>
  edge.map((corner, k) => [corner, edge[(k + 1) % edge.length]]);

function sizeOf(edge: Edge): number {
  const { minX, minY, maxX, maxY } = boxOfPoints(edge);
  return (maxX - minX) * (maxY - minY);
}

const within = (share: number): number =>
  Number.isFinite(share) ? Math.max(0, Math.min(1, share)) : 0.5;

function shareOf(edge: Edge, { x, y }: Vec): Vec {
  const { minX, minY, maxX, maxY } = boxOfPoints(edge);
  return { x: within((x - minX) / (maxX - minX)), y: within((y - minY) / (maxY - minY)) };
}

function placeIn(edge: Edge, { at }: Tie): Vec {
  const { minX, minY, maxX, maxY } = boxOfPoints(edge);
  return { x: minX + at.x * (maxX - minX), y: minY + at.y * (maxY - minY) };
}

/** Where the way from a place to another leaves an edge for the last time; the place itself where it never meets it. */
function leaving(edge: Edge, from: Vec, to: Vec): Vec {
  let best = from;
  let most = 0;
  for (const [a, b] of sidesOf(edge)) {
    const t = meetsAt(from, to, a, b);
    if (t !== null && t > most) {
      most = t;
      best = { x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) };
    }
  }
  return best;
}

/** The share of a way at which it crosses a side; null where it does not. */
function meetsAt(from: Vec, to: Vec, a: Vec, b: Vec): number | null {
  const [dx, dy, ex, ey] = [to.x - from.x, to.y - from.y, b.x - a.x, b.y - a.y];
  const across = dx * ey - dy * ex;
  if (Math.abs(across) < 1e-12) return null;
  const t = ((a.x - from.x) * ey - (a.y - from.y) * ex) / across;
  const u = ((a.x - from.x) * dy - (a.y - from.y) * dx) / across;
  return t >= 0 && t <= 1 && u >= 0 && u <= 1 ? t : null;
}
