import {
  add,
  dot,
  length,
  type Matrix,
  rotate,
  scale,
  subtract,
  transform,
  type Vec,
  vec,
} from '../geometry/index.ts';
import type { Figure, TurnedBox } from './figure.ts';
import { boxOf, diamondCorners, rectangleCorners, starCorners } from './figurePath.ts';

/** Sizes and right angles that differ by less than this share are equal. */
const SAME = 1e-9;

/** An affine map as it acts on figures. */
interface Mapping {
  /** Of a place. */
  readonly at: (p: Vec) => Vec;
  /** Of a direction with its length. */
  readonly along: (d: Vec) => Vec;
  /** Mean scale of lengths. */
  readonly size: number;
  /** −1 when it mirrors, otherwise 1. */
  readonly side: 1 | -1;
  /** Whether it keeps shapes. */
  readonly isEven: boolean;
}

function mappingOf(m: Matrix): Mapping {
  const det = m[0] * m[3] - m[1] * m[2];
  const [i, j] = [vec(m[0], m[1]), vec(m[2], m[3])];
  const size = Math.sqrt(Math.abs(det));
  return {
    at: (p) => transform(m, p),
    along: (d) => vec(m[0] * d.x + m[2] * d.y, m[1] * d.x + m[3] * d.y),
    size,
    side: det < 0 ? -1 : 1,
    isEven:
      Math.abs(length(i) - length(j)) <= SAME * size && Math.abs(dot(i, j)) <= SAME * size * size,
  };
}

const angleOf = (d: Vec): number => Math.atan2(d.y, d.x);

/**
 * A figure under an affine map. Its kind stays where it can: a circle that is stretched becomes an ellipse, a rectangle
 * that is slanted a parallelogram, a star a polygon. Arcs keep their shape and only grow.
 */
export function mapFigure(figure: Figure, matrix: Matrix): Figure {
  const m = mappingOf(matrix);
  const { at, size } = m;
  const headed = <F extends { head?: number; tail?: number }>(f: F): F => ({
    ...f,
    ...(f.head === undefined ? {} : { head: f.head * size }),
    ...(f.tail === undefined ? {} : { tail: f.tail * size }),
  });
  switch (figure.kind) {
    case 'line': {
      const ends = { from: at(figure.from), to: at(figure.to) };
      return figure.caps === undefined
        ? { ...figure, ...ends }
        : { ...figure, ...ends, caps: figure.caps * size };
    }
    case 'arrow':
      return headed({ ...figure, from: at(figure.from), to: at(figure.to) });
    case 'polyline':
      return headed({ ...figure, corners: figure.corners.map(at) });
    case 'polygon':
    case 'cloud':
      return { ...figure, corners: figure.corners.map(at) };
    case 'triangle':
    case 'tick': {
      const [a, b, c] = figure.corners;
      return { ...figure, corners: [at(a), at(b), at(c)] };
    }
    case 'parallelogram': {
      const [a, b, c, d] = figure.corners;
      return { ...figure, corners: [at(a), at(b), at(c), at(d)] };
    }
    case 'curve': {
      const [a, b, c, d] = figure.points;
      const points = [at(a), at(b), at(c), at(d)] as const;
      return headed({ ...figure, points });
    }
    case 'cross': {
      const [[a, b], [c, d]] = [figure.first, figure.second];
      return { ...figure, first: [at(a), at(b)], second: [at(c), at(d)] };
    }
    case 'brace':
    case 'bracket': {
      const way = subtract(figure.to, figure.from);
      // An affine map scales areas alike, so what a length gains its breadth loses.
      const stretched = length(m.along(way)) / (length(way) || 1);
      const depth = (figure.depth * m.side * size * size) / (stretched || 1);
      return { ...figure, from: at(figure.from), to: at(figure.to), depth };
    }
    case 'arc':
      return headed({
        ...figure,
        centre: at(figure.centre),
        radius: figure.radius * size,
        start: angleOf(m.along(rotate(vec(1, 0), figure.start))),
        sweep: figure.sweep * m.side,
      });
    case 'circle':
      if (m.isEven) return { ...figure, centre: at(figure.centre), radius: figure.radius * size };
      return mapEllipse(figure.centre, figure.radius, figure.radius, 0, m);
    case 'ellipse':
      if (!m.isEven) return mapEllipse(figure.centre, figure.rx, figure.ry, figure.angle, m);
      return {
        ...figure,
        centre: at(figure.centre),
        rx: figure.rx * size,
        ry: figure.ry * size,
        angle: turned(figure.angle, m),
      };
    case 'square':
      if (m.isEven)
        return {
          ...figure,
          centre: at(figure.centre),
          side: figure.side * size,
          angle: turned(figure.angle, m),
        };
      return mapBox('rectangle', boxOf(figure), m);
    case 'rectangle':
      return mapBox('rectangle', figure, m);
    case 'diamond':
      return mapBox('diamond', figure, m);
    case 'star':
      if (!m.isEven) return { kind: 'polygon', corners: starCorners(figure).map(at) };
      return {
        ...figure,
        centre: at(figure.centre),
        outer: figure.outer * size,
        inner: figure.inner * size,
        angle: turned(figure.angle, m),
      };
  }
}

/** The angle of a direction after the map; unchanged to the last digit where the map does not turn. */
function turned(angle: number, m: Mapping): number {
  const base = m.along(vec(1, 0));
  return m.side > 0 ? angle + angleOf(base) : angleOf(m.along(rotate(vec(1, 0), angle)));
}

/** The axes of the mapped ellipse: the singular vectors of its half axes' images (2 × 2, closed form). */
function mapEllipse(centre: Vec, rx: number, ry: number, angle: number, m: Mapping): Figure {
  const u = m.along(rotate(vec(rx, 0), angle));
  const v = m.along(rotate(vec(0, ry), angle));
  const turn = 0.5 * Math.atan2(2 * dot(u, v), dot(u, u) - dot(v, v));
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const long = add(scale(u, c), scale(v, s));
  const short = add(scale(u, -s), scale(v, c));
  return {
    kind: 'ellipse',
    centre: m.at(centre),
    rx: length(long),
    ry: length(short),
    angle: angleOf(long),
  };
}

/** A box stays one as long as its sides, or a diamond's diagonals, stay at right angles. */
function mapBox(kind: 'rectangle' | 'diamond', box: TurnedBox, m: Mapping): Figure {
  const along = m.along(rotate(vec(box.width, 0), box.angle));
  const up = m.along(rotate(vec(0, box.height), box.angle));
  if (Math.abs(dot(along, up)) <= SAME * length(along) * length(up)) {
    const [width, height] = [length(along), length(up)];
    return { kind, centre: m.at(box.centre), width, height, angle: turnedBox(box.angle, along, m) };
  }
  const corners = (kind === 'rectangle' ? rectangleCorners(box) : diamondCorners(box)).map(m.at);
  return { kind: 'parallelogram', corners: [corners[0], corners[1], corners[2], corners[3]] };
}

const turnedBox = (angle: number, along: Vec, m: Mapping): number =>
  m.isEven ? turned(angle, m) : angleOf(along);
