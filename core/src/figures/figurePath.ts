import {
  add,
  arcStep,
  cross,
  distance,
  joinPaths,
  lerp,
  normalise,
  type Path,
  polygonPath,
  rotate,
  scale,
  subtract,
  type Vec,
  vec,
  degrees,
} from '../geometry/index.ts';
import { outlineDiscs } from '../ink/index.ts';
import { type Dash, dashed } from './dashes.ts';
import type { Figure, Heads, TurnedBox } from './figure.ts';

/** Half the angle between the barbs of an arrowhead, radians (25°). */
export const BARB_ANGLE = degrees(25);
/** Chords stay this close to curves, points. */
const TOLERANCE = 0.015;
/** Chords of a Bézier curve. */
const CURVE_CHORDS = 96;

/** The lines a figure consists of, as polylines; a closed one ends where it began. */
export function figureLines(figure: Figure): Vec[][] {
  switch (figure.kind) {
    case 'line':
      return [[figure.from, figure.to], ...caps(figure.from, figure.to, figure.caps ?? 0)];
    case 'arrow':
      return withHeads([figure.from, figure.to], figure);
    case 'polyline':
      return withHeads([...figure.corners], figure);
    case 'arc':
      return withHeads(arcPoints(figure.centre, figure.radius, figure.start, figure.sweep), figure);
    case 'curve':
      return withHeads(curvePoints(figure.points), figure);
    case 'rectangle':
    case 'square':
      return [closed(rectangleCorners(boxOf(figure)))];
    case 'diamond':
      return [closed(diamondCorners(figure))];
    case 'triangle':
    case 'parallelogram':
    case 'polygon':
      return [closed(figure.corners)];
    case 'cloud':
      return [cloudPoints(figure.corners)];
    case 'star':
      return [closed(starCorners(figure))];
    case 'circle':
      return [closed(ellipsePoints(figure.centre, figure.radius, figure.radius, 0))];
    case 'ellipse':
      return [closed(ellipsePoints(figure.centre, figure.rx, figure.ry, figure.angle))];
    case 'brace':
      return [bracePoints(figure.from, figure.to, figure.depth)];
    case 'bracket':
      return [bracketCorners(figure.from, figure.to, figure.depth)];
    case 'tick':
      return [[...figure.corners]];
    case 'cross':
      return [[...figure.first], [...figure.second]];
  }
}

/** The filled outline of a figure drawn with a round pen of `width` points; its heads and caps are never broken. */
export const outlineFigure = (figure: Figure, width: number, dash: Dash = 'none'): Path =>
  outlineParts(
    figure,
    figureLines(figure).map((points, line) => ({ line, points, before: 0 })),
    width,
    dash,
  );

/** A part of one of a figure's lines. */
export interface LinePart {
  /** Which of {@link figureLines}. */
  readonly line: number;
  readonly points: readonly Vec[];
  /** How much of the line lies before it, points. */
  readonly before: number;
}

/** The same of what is left of a figure. */
export function outlineParts(
  { kind }: Figure,
  parts: readonly LinePart[],
  width: number,
  dash: Dash,
): Path {
  const pieces = parts.flatMap(({ line, points, before }) =>
    line === 0 || kind === 'cross' ? dashed(points, width, dash, before) : [points],
  );
  return joinPaths(
    pieces.map((piece) => outlineDiscs(piece.map((p) => ({ x: p.x, y: p.y, r: width / 2 })))),
  );
}

/** The inside of a closed figure; null for an open one. */
export function insideOf(figure: Figure): Path | null {
  if (!isClosedFigure(figure)) return null;
  const [corners] = figureLines(figure);
  return polygonPath(corners.slice(0, -1));
}

/** Whether a figure has an inside that can be filled. */
export const isClosedFigure = ({ kind }: Figure): boolean =>
  ['circle', 'ellipse', 'triangle', 'rectangle', 'square', 'diamond', 'parallelogram'].includes(
    kind,
  ) || ['polygon', 'star', 'cloud'].includes(kind);

/** Figures that have a box of their own, turned with them. */
export type Boxed = Extract<Figure, { kind: 'square' | 'rectangle' | 'ellipse' | 'diamond' }>;

/** The box that a figure fills. */
export function boxOf(figure: Boxed): TurnedBox {
  const { centre, angle } = figure;
  if (figure.kind === 'square') return { centre, angle, width: figure.side, height: figure.side };
  if (figure.kind === 'ellipse')
    return { centre, angle, width: 2 * figure.rx, height: 2 * figure.ry };
  return { centre, angle, width: figure.width, height: figure.height };
}

/** Anticlockwise from the corner at (+, +) before turning. */
export function rectangleCorners({ centre, width, height, angle }: TurnedBox): Vec[] {
  const w = width / 2;
  const h = height / 2;
  return [vec(w, h), vec(-w, h), vec(-w, -h), vec(w, -h)].map((p) => add(centre, rotate(p, angle)));
}

/** Anticlockwise from the end of the width before turning. */
export function diamondCorners({ centre, width, height, angle }: TurnedBox): Vec[] {
  return [vec(width / 2, 0), vec(0, height / 2), vec(-width / 2, 0), vec(0, -height / 2)].map((p) =>
    add(centre, rotate(p, angle)),
  );
}

/** Tip, inner corner, tip … from the first tip on, anticlockwise. */
export function starCorners(star: Extract<Figure, { kind: 'star' }>): Vec[] {
  return Array.from({ length: 2 * star.tips }, (_, k) =>
    add(
      star.centre,
      rotate(vec(k % 2 === 0 ? star.outer : star.inner, 0), star.angle + (Math.PI * k) / star.tips),
    ),
  );
}

/** The two ends and the two corners of a bracket. */
export function bracketCorners(from: Vec, to: Vec, depth: number): Vec[] {
  const across = scale(rotate(normalise(subtract(to, from)), Math.PI / 2), depth);
  return [from, add(from, across), add(to, across), to];
}

/** Two bows that meet in a point in the middle, each made of two quarters of a circle and a straight piece. */
export function bracePoints(from: Vec, to: Vec, depth: number): Vec[] {
  const long = distance(from, to);
  const r = Math.min(Math.abs(depth) / 2, long / 4);
  const quarter = Array.from({ length: 9 }, (_, k) => (Math.PI / 2) * (k / 8));
  // Along x, the back towards +y, the first half only.
  const half = [
    ...quarter.map((a) => vec(r - r * Math.cos(a), r * Math.sin(a))),
    ...quarter.map((a) => vec(long / 2 - r + r * Math.sin(a), 2 * r - r * Math.cos(a))),
  ];
  const whole = [...half, ...half.map((p) => vec(long - p.x, p.y)).reverse()];
  const along = normalise(subtract(to, from));
  const stretch = depth / (2 * r || 1);
  return whole.map((p) =>
    add(from, add(scale(along, p.x), scale(vec(-along.y, along.x), p.y * stretch))),
  );
}

/** Points of a circle's part, ends included. */
export function arcPoints(centre: Vec, radius: number, start: number, sweep: number): Vec[] {
  const n = Math.max(2, Math.ceil(Math.abs(sweep) / arcStep(radius, TOLERANCE)));
  return Array.from({ length: n + 1 }, (_, k) =>
    add(centre, rotate(vec(radius, 0), start + (sweep * k) / n)),
  );
}

/** Points of a cubic Bézier curve, ends included. */
export function curvePoints([a, b, c, d]: readonly [Vec, Vec, Vec, Vec]): Vec[] {
  return Array.from({ length: CURVE_CHORDS + 1 }, (_, k) => {
    const u = k / CURVE_CHORDS;
    const v = 1 - u;
    return add(
      add(scale(a, v * v * v), scale(b, 3 * v * v * u)),
      add(scale(c, 3 * v * u * u), scale(d, u * u * u)),
    );
  });
}

/** The line with its arrowheads; a head points the way the line's last part of the head's length goes. */
function withHeads(line: Vec[], { head = 0, tail = 0 }: Heads): Vec[][] {
  const lines = [line];
  if (head > 0) lines.push(barbs(line, head));
  if (tail > 0) lines.push(barbs([...line].reverse(), tail));
  return lines;
}

function barbs(line: readonly Vec[], size: number): Vec[] {
  const tip = line[line.length - 1];
  let i = line.length - 2;
  while (i > 0 && distance(line[i], tip) < size) i--;
  const back = scale(normalise(subtract(line[i], tip)), size);
  return [add(tip, rotate(back, BARB_ANGLE)), tip, add(tip, rotate(back, -BARB_ANGLE))];
}

function caps(from: Vec, to: Vec, size: number): Vec[][] {
  if (size <= 0) return [];
  const half = scale(rotate(normalise(subtract(to, from)), Math.PI / 2), size / 2);
  return [from, to].map((p) => [add(p, half), subtract(p, half)]);
}

function ellipsePoints(centre: Vec, rx: number, ry: number, angle: number): Vec[] {
  const n = Math.max(16, Math.ceil((2 * Math.PI) / arcStep(Math.max(rx, ry), TOLERANCE)));
  return Array.from({ length: n }, (_, k) => {
    const a = (2 * Math.PI * k) / n;
    return add(centre, rotate(vec(rx * Math.cos(a), ry * Math.sin(a)), angle));
  });
}

/** How long a bulge of a cloud is, points, and how far it stands out, in shares of its length. */
const BULGE = 18;
const BULGE_HEIGHT = 0.32;

function cloudPoints(corners: readonly Vec[]): Vec[] {
  let area = 0;
  corners.forEach((p, i) => (area += cross(p, corners[(i + 1) % corners.length])));
  const out = area > 0 ? -1 : 1;
  const points = corners.flatMap((p, i) => {
    const q = corners[(i + 1) % corners.length];
    const count = Math.max(1, Math.round(distance(p, q) / BULGE));
    return Array.from({ length: count }, (_, k) => {
      const [a, b] = [lerp(p, q, k / count), lerp(p, q, (k + 1) / count)];
      const side = scale(rotate(subtract(b, a), Math.PI / 2), out * BULGE_HEIGHT);
      return Array.from({ length: 10 }, (__, m) => {
        const u = m / 10;
        return add(lerp(a, b, u), scale(side, 4 * u * (1 - u)));
      });
    }).flat();
  });
  return closed(points);
}

const closed = (points: readonly Vec[]): Vec[] => [...points, points[0]];
