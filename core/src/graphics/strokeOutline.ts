import {
  add,
  cross,
  distance,
  dot,
  joinPaths,
  normalise,
  type Path,
  partsOfPath,
  polygonPath,
  polylinesOf,
  scale,
  subtract,
  type Vec,
  VERB,
} from '../geometry/index.ts';

/** How a line is drawn (SVG 2, §13.5), in its own space. */
export interface Stroke {
  readonly width: number;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'miter' | 'round' | 'bevel';
  /** How long a pointed corner may be, in widths. */
  readonly miterLimit: number;
}

/** Corners of what is round: no fewer, and no more. */
const [FEWEST, MOST] = [8, 96];

/**
 * What a line covers, as a path to be filled: pieces that all run the same way round, so that where they meet they are one.
 * @param flatness how far chords may lie off curves
 */
export const strokeOutline = (path: Path, stroke: Stroke, flatness: number): Path =>
  joinPaths(
    partsOfPath(path).flatMap((part) => {
      const isClosed = part.verbs.at(-1) === VERB.Z;
      return polylinesOf(part, flatness).flatMap((line) =>
        piecesOf(line, isClosed, stroke, flatness),
      );
    }),
  );

function piecesOf(
  line: readonly Vec[],
  isClosed: boolean,
  stroke: Stroke,
  flatness: number,
): Path[] {
  const points = line.filter((p, k) => k === 0 || distance(p, line[k - 1]) > 0);
  const half = stroke.width / 2;
  const disc = (at: Vec): Path => discPath(at, half, flatness);
  if (points.length === 1) return pointPieces(points[0], stroke.cap, half, disc);
  const ways = points.slice(1).map((to, k) => normalise(subtract(to, points[k])));
  const pieces = ways.map((way, k) => {
    const isSquare = stroke.cap === 'square' && !isClosed;
    const before = isSquare && k === 0 ? half : 0;
    const after = isSquare && k === ways.length - 1 ? half : 0;
    const from = subtract(points[k], scale(way, before));
    return barPath(from, add(points[k + 1], scale(way, after)), leftOf(way, half));
  });
  for (let k = isClosed ? 0 : 1; k < ways.length; k++)
    pieces.push(
      ...cornerPieces(points[k], ways[(k + ways.length - 1) % ways.length], ways[k], stroke, disc),
    );
  if (stroke.cap === 'round' && !isClosed)
    pieces.push(disc(points[0]), disc(points[points.length - 1]));
  return pieces;
}

/** A line of no length is seen where its ends are (SVG 2, §13.5.3). */
function pointPieces(at: Vec, cap: Stroke['cap'], half: number, disc: (at: Vec) => Path): Path[] {
  if (cap === 'butt') return [];
  if (cap === 'round') return [disc(at)];
  const across = { x: half, y: 0 };
  return [barPath(subtract(at, across), add(at, across), { x: 0, y: half })];
}

const leftOf = ({ x, y }: Vec, half: number): Vec => ({ x: -y * half, y: x * half });

const barPath = (from: Vec, to: Vec, left: Vec): Path =>
  polygonPath([subtract(from, left), subtract(to, left), add(to, left), add(from, left)]);

function discPath(at: Vec, radius: number, flatness: number): Path {
  // A chord lies off its arc by the radius less its cosine.
  const wanted = Math.PI / Math.acos(Math.max(0, 1 - flatness / radius));
  const count = Math.min(MOST, Math.max(FEWEST, Math.ceil(wanted)));
  return polygonPath(
    Array.from({ length: count }, (_, k) => {
      const angle = (2 * Math.PI * k) / count;
      return { x: at.x + radius * Math.cos(angle), y: at.y + radius * Math.sin(angle) };
    }),
  );
}

/** What fills a corner on its outer side. */
function cornerPieces(
  at: Vec,
  one: Vec,
  other: Vec,
  stroke: Stroke,
  disc: (at: Vec) => Path,
): Path[] {
  const half = stroke.width / 2;
  const turn = cross(one, other);
  const along = dot(one, other);
  if (Math.abs(turn) < 1e-6 && along > 0) return [];
  if (stroke.join === 'round') return [disc(at)];
  const side = turn > 0 ? -1 : 1;
  const [a, b] = [one, other].map((way) => scale(leftOf(way, half), side));
  const [first, last] = turn > 0 ? [a, b] : [b, a];
  // How long the point is, over the width: 1 / cos of half the turn.
  const isPointed =
    stroke.join === 'miter' && along > -1 && 2 / (1 + along) <= stroke.miterLimit ** 2;
  const tip = isPointed ? [add(at, scale(add(a, b), 1 / (1 + along)))] : [];
  return [polygonPath([at, add(at, first), ...tip, add(at, last)])];
}
