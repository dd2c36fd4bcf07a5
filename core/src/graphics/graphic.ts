import { array, number, object, string } from 'yup';
import {
  isWellPacked,
  type Matrix,
  PACKED_VERBS,
  type PackedPath,
  type Path,
  unpackPath,
} from '../geometry/index.ts';

/** The sides of a graphic are so many units long; its coordinates are whole ones. */
export const GRAPHIC_UNITS = 100_000;
/** Coordinates that one may be drawn with. */
export const MOST_COORDS = 200_000;
/** Pieces that one may have. */
export const MOST_PIECES = 5000;

/** A part of a graphic that is filled with one colour; y up from its lower left corner. */
export interface GraphicPiece extends PackedPath {
  /** `#rrggbb`. */
  readonly colour: string;
  /** 0–1. */
  readonly opacity: number;
}

/** A drawing as what is filled of it, one over the other, in a square that its place stretches. */
export type Graphic = readonly GraphicPiece[];

/** A piece as a path under a map of the unit square (0,0)–(1,1), y up. */
export const graphicPath = (piece: GraphicPiece, place: Matrix): Path =>
  unpackPath(piece, GRAPHIC_UNITS, place);

const coord = number().strict().required().integer().min(0).max(GRAPHIC_UNITS);

const pieceShape = object({
  verbs: string().strict().required().matches(PACKED_VERBS).max(MOST_COORDS),
  coords: array(coord).strict().required().max(MOST_COORDS),
  colour: string()
    .strict()
    .required()
    .matches(/^#[0-9a-f]{6}$/),
  opacity: number().strict().required().min(0).max(1),
}).test('coords-of-verbs', 'A graphic has other coordinates than its outlines take.', isWellPacked);

/** A graphic as it is stored. */
export const graphicShape = array(pieceShape.required())
  .strict()
  .required()
  .min(1)
  .max(MOST_PIECES)
  .test(
    'not-too-large',
    'A graphic has too many outlines.',
    (pieces) => pieces.reduce((sum, { coords }) => sum + coords.length, 0) <= MOST_COORDS,
  );
