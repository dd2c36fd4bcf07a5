import {
  type Box,
  type Matrix,
  type Path,
  PathBuilder,
  transform,
  VERB_COORDS,
} from '../geometry/index.ts';

/** Coordinates of an outline are whole ten-thousandths of an em. */
export const UNITS = 10_000;

/** Coordinates that an equation may be drawn with: as many as some pages of them take. */
export const MOST_COORDS = 200_000;

/** Ems that it may be wide or high, and that anything may lie from its place. */
export const LARGEST = 1000;

/** A part of an equation that is filled with one colour. */
export interface EquationPiece {
  /** What to do, a letter each: M and L take a point, C three, Z none. */
  readonly verbs: string;
  /** In turn x and y, y up from the baseline, in {@link UNITS} to the em. */
  readonly coords: readonly number[];
  /** `#rrggbb` where the TeX says so; else the ink of whoever draws it. */
  readonly colour?: string;
}

/** An equation as it was set: what is drawn of it stays as it is, whatever becomes of what set it. From the left end of its baseline, y up. */
export interface EquationOutline {
  /** Ems. */
  readonly width: number;
  /** How far it reaches above its baseline, ems. */
  readonly ascent: number;
  /** How far it reaches below, ems. */
  readonly descent: number;
  readonly pieces: readonly EquationPiece[];
}

const VERBS = 'MLCZ';

/** A piece as a path under a map that carries ems to where it is drawn. */
export function piecePath({ verbs, coords }: EquationPiece, map: Matrix): Path {
  const builder = new PathBuilder();
  let at = 0;
  const next = () => transform(map, { x: coords[at++] / UNITS, y: coords[at++] / UNITS });
  for (const letter of verbs) {
    const verb = VERBS.indexOf(letter);
    const points = Array.from({ length: VERB_COORDS[verb] / 2 }, next);
    if (letter === 'M') builder.moveTo(points[0].x, points[0].y);
    else if (letter === 'L') builder.lineTo(points[0].x, points[0].y);
    else if (letter === 'C') {
      const [a, b, c] = points;
      builder.bezierCurveTo(a.x, a.y, b.x, b.y, c.x, c.y);
    } else builder.closePath();
  }
  return builder.build();
}

/** The box that an equation takes, ems. */
export const outlineBox = ({ width, ascent, descent }: EquationOutline): Box => ({
  minX: 0,
  minY: -descent,
  maxX: width,
  maxY: ascent,
});
