import {
  add,
  type Box,
  box,
  displayMatrix,
  distance,
  dot,
  type PageBox,
  scale,
  subtract,
  transformBox,
  type Vec,
} from '../geometry/index.ts';

/** What is drawn on a page that figures may meet, in user space, points. */
export interface DrawnShapes {
  /** Straight rules: x and y of one end and of the other in turn. */
  readonly rules: Float32Array;
  /** Full dots: x and y of their middles in turn. */
  readonly dots: Float32Array;
  /** Small upright frames, about as wide as high: the least x and y and the greatest of each in turn. */
  readonly squares: Float32Array;
  /** Level and upright pieces of lines that are too short for rules, as the sides of cells: x and y of one end and of the other in turn. */
  readonly edges: Float32Array;
  /** Slanting pieces of figures, those of curves too: x and y of one end and of the other in turn. */
  readonly slants: Float32Array;
}

export const NO_SHAPES: DrawnShapes = {
  rules: new Float32Array(0),
  dots: new Float32Array(0),
  squares: new Float32Array(0),
  edges: new Float32Array(0),
  slants: new Float32Array(0),
};

/** A place on a rule. */
export interface OnRule {
  readonly at: Vec;
  /** The rule's direction, of length 1. */
  readonly along: Vec;
}

/** The ends of a rule reach farther than the rest of it, by this factor. */
const END = 1.3;

/** The middle of the dot nearest to a place, no farther than `reach` points; null for none. */
export function drawnDotNear({ dots }: DrawnShapes, at: Vec, reach: number): Vec | null {
  let best: Vec | null = null;
  let nearest = reach;
  for (let k = 0; k + 1 < dots.length; k += 2) {
    const away = Math.hypot(dots[k] - at.x, dots[k + 1] - at.y);
    if (away > nearest) continue;
    nearest = away;
    best = { x: dots[k], y: dots[k + 1] };
  }
  return best;
}

/** The place of a rule nearest to a place, no farther than `reach` points; a rule's end where that is about as near. Null for none. */
export function drawnRuleNear({ rules }: DrawnShapes, at: Vec, reach: number): OnRule | null {
  let best: OnRule | null = null;
  let nearest = reach;
  for (let k = 0; k + 3 < rules.length; k += 4) {
    const [from, to] = [
      { x: rules[k], y: rules[k + 1] },
      { x: rules[k + 2], y: rules[k + 3] },
    ];
    const length = distance(from, to);
    if (!(length > 0)) continue;
    const along = scale(subtract(to, from), 1 / length);
    const u = Math.min(length, Math.max(0, dot(subtract(at, from), along)));
    const on = add(from, scale(along, u));
    const away = distance(at, on);
    if (away > nearest) continue;
    nearest = away;
    const end = u < length / 2 ? from : to;
    best = { at: distance(at, end) <= END * reach ? end : on, along };
  }
  return best;
}

/** The small frames of a page, as it is seen. */
export function squaresOf({ squares }: DrawnShapes, page: PageBox): Box[] {
  const display = displayMatrix(page);
  return Array.from({ length: Math.floor(squares.length / 4) }, (_, k) => {
    const [minX, minY, maxX, maxY] = squares.subarray(4 * k, 4 * k + 4);
    return transformBox(display, box(minX, minY, maxX, maxY));
  });
}
