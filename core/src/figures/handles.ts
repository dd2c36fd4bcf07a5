import { add, lerp, rotate, scale, subtract, type Vec, vec } from '../geometry/index.ts';
import type { Figure } from './figure.ts';
import { arcPoints, boxOf, diamondCorners, figureLines, rectangleCorners } from './figurePath.ts';

/** A point by which a figure is changed. */
export interface Handle {
  readonly id: string;
  /** Read aloud, and shown. */
  readonly name: string;
  readonly at: Vec;
  /** `add` makes a new corner where it is dragged. */
  readonly role: 'shape' | 'move' | 'turn' | 'add';
}

/** The handle for turning stands so far off the figure, points. */
const TURN_REACH = 28;

/** Where a figure can be taken hold of: its ends, corners and sides, its middle, and one for turning. */
export function handlesOf(figure: Figure): Handle[] {
  const centre = centreOf(figure);
  const shape = shapeHandles(figure);
  const top = Math.max(
    ...figureLines(figure)
      .flat()
      .map((p) => p.y),
  );
  const handles: Handle[] = [...shape, { id: 'move', name: 'Move', at: centre, role: 'move' }];
  if (figure.kind !== 'circle' && !('from' in figure))
    handles.push({ id: 'turn', name: 'Turn', at: vec(centre.x, top + TURN_REACH), role: 'turn' });
  return handles;
}

const corner = (k: number): string => `corner ${k + 1}`;

function shapeHandles(figure: Figure): Handle[] {
  const shape = (id: string, name: string, at: Vec): Handle => ({ id, name, at, role: 'shape' });
  const cornersOf = (corners: readonly Vec[]): Handle[] =>
    corners.map((at, k) => shape(`c${k}`, `Move ${corner(k)}`, at));
  const between = (corners: readonly Vec[], isClosed: boolean): Handle[] =>
    (isClosed ? [...corners, corners[0]] : corners).slice(1).map((q, k) => ({
      id: `a${k}`,
      name: `Add a corner after ${corner(k)}`,
      at: lerp(corners[k], q, 0.5),
      role: 'add',
    }));
  switch (figure.kind) {
    case 'line':
    case 'arrow':
    case 'brace':
    case 'bracket': {
      const ends = [
        shape('from', 'Move the beginning', figure.from),
        shape('to', 'Move the end', figure.to),
      ];
      if (figure.kind === 'line' || figure.kind === 'arrow') return ends;
      return [
        ...ends,
        shape(
          'depth',
          'Change the depth',
          add(lerp(figure.from, figure.to, 0.5), acrossOf(figure)),
        ),
      ];
    }
    case 'polyline':
      return [...cornersOf(figure.corners), ...between(figure.corners, false)];
    case 'polygon':
    case 'cloud':
      return [...cornersOf(figure.corners), ...between(figure.corners, true)];
    case 'triangle':
    case 'tick':
    case 'parallelogram':
      return cornersOf(figure.corners);
    case 'curve':
      return figure.points.map((at, k) =>
        shape(
          `p${k}`,
          ['Move the beginning', 'Bend the beginning', 'Bend the end', 'Move the end'][k],
          at,
        ),
      );
    case 'cross':
      return cornersOf([...figure.first, ...figure.second]);
    case 'arc': {
      const line = arcPoints(figure.centre, figure.radius, figure.start, figure.sweep);
      return [
        shape('start', 'Move the beginning', line[0]),
        shape('end', 'Move the end', line[line.length - 1]),
        shape('radius', 'Change the radius', onCircle(figure, figure.start + figure.sweep / 2)),
      ];
    }
    case 'circle':
      return [shape('radius', 'Change the radius', add(figure.centre, vec(figure.radius, 0)))];
    case 'star':
      return [
        shape('outer', 'Move a tip', onCircle({ ...figure, radius: figure.outer }, figure.angle)),
        shape(
          'inner',
          'Move an inner corner',
          onCircle({ ...figure, radius: figure.inner }, figure.angle + Math.PI / figure.tips),
        ),
      ];
    case 'square':
    case 'rectangle':
      return rectangleCorners(boxOf(figure)).map((at, k) =>
        shape(`b${k}`, `Move ${corner(k)}`, at),
      );
    case 'ellipse':
      return diamondCorners(boxOf(figure)).map((at, k) =>
        shape(`d${k}`, k % 2 === 0 ? 'Change the length' : 'Change the breadth', at),
      );
    case 'diamond':
      return diamondCorners(figure).map((at, k) => shape(`d${k}`, `Move ${corner(k)}`, at));
  }
}

/**
 * The middle of a figure, about which it is turned. It turns with the figure and never stands above all of it: an arc's
 * circle may, and so may the points that bend a curve.
 */
export function centreOf(figure: Figure): Vec {
  if (figure.kind !== 'arc' && 'centre' in figure) return figure.centre;
  const points = middleOf(figure);
  return scale(points.reduce(add, vec(0, 0)), 1 / points.length);
}

/** Points of the figure whose mean is its middle. */
function middleOf(figure: Exclude<Figure, { centre: Vec }> | Extract<Figure, { kind: 'arc' }>) {
  if (figure.kind === 'arc')
    return [0, 0.5, 1].map((share) => onCircle(figure, figure.start + figure.sweep * share));
  if (figure.kind === 'curve') {
    const [a, b, c, d] = figure.points;
    return [a, b, b, b, c, c, c, d];
  }
  if ('corners' in figure) return figure.corners;
  return 'first' in figure ? [...figure.first, ...figure.second] : [figure.from, figure.to];
}

const onCircle = (circle: { readonly centre: Vec; readonly radius: number }, angle: number): Vec =>
  add(circle.centre, rotate(vec(circle.radius, 0), angle));

/** From the middle between a brace's ends to its back. */
export function acrossOf({ from, to, depth }: { from: Vec; to: Vec; depth: number }): Vec {
  const along = subtract(to, from);
  const long = Math.hypot(along.x, along.y) || 1;
  return vec((-along.y / long) * depth, (along.x / long) * depth);
}
