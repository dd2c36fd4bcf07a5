import {
  type Box,
  type Matrix,
  type PackedPath,
  type Path,
  unpackPath,
} from '../geometry/index.ts';

/** Coordinates of an outline are whole ten-thousandths of an em. */
export const UNITS = 10_000;

/** Coordinates that an equation may be drawn with: as many as some pages of them take. */
export const MOST_COORDS = 200_000;

/** Ems that it may be wide or high, and that anything may lie from its place. */
export const LARGEST = 1000;

/** A part of an equation that is filled with one colour: y up from the baseline, in {@link UNITS} to the em. */
export interface EquationPiece extends PackedPath {
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

/** A piece as a path under a map that carries ems to where it is drawn. */
export const piecePath = (piece: EquationPiece, map: Matrix): Path => unpackPath(piece, UNITS, map);

/** The box that an equation takes, ems. */
export const outlineBox = ({ width, ascent, descent }: EquationOutline): Box => ({
  minX: 0,
  minY: -descent,
  maxX: width,
  maxY: ascent,
});
