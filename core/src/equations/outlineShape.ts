import { array, number, object, string } from 'yup';
import { isWellPacked, PACKED_VERBS } from '../geometry/index.ts';
import { type EquationOutline, LARGEST, MOST_COORDS, UNITS } from './outline.ts';

/** Units of text that an equation may have. */
export const LONGEST_TEX = 4000;
const FARTHEST = LARGEST * UNITS;

const em = number().strict().required().min(-LARGEST).max(LARGEST);
const coord = number().strict().required().integer().min(-FARTHEST).max(FARTHEST);
const pieceShape = object({
  verbs: string().strict().required().matches(PACKED_VERBS).max(MOST_COORDS),
  coords: array(coord).strict().required().max(MOST_COORDS),
  colour: string()
    .strict()
    .matches(/^#[0-9a-f]{6}$/),
}).test(
  'coords-of-verbs',
  'An equation has other coordinates than its outlines take.',
  isWellPacked,
);

/** How many coordinates it is drawn with. */
const sizeOf = ({ pieces }: EquationOutline): number =>
  pieces.reduce((sum, { coords }) => sum + coords.length, 0);

/** An outline as it is stored. */
export const outlineShape = object({
  width: em.min(0),
  ascent: em,
  descent: em,
  pieces: array(pieceShape.required()).strict().required().min(1).max(MOST_COORDS),
})
  .required()
  .test(
    'not-too-large',
    'An equation has too many outlines.',
    (outline) => sizeOf(outline as EquationOutline) <= MOST_COORDS,
  );

/** Equations that one text may have, and what that many of them may be drawn with. */
const MOST_IN_TEXT = 200;

/** Whether so many equations are more than one text may keep. */
export const isTooMuch = (outlines: readonly EquationOutline[]): boolean =>
  outlines.length > MOST_IN_TEXT ||
  outlines.reduce((sum, one) => sum + sizeOf(one), 0) > MOST_COORDS;

/** The equations of a text as they are stored. */
export const outlinesInTextShape = array(
  object({ tex: string().strict().required().max(LONGEST_TEX), outline: outlineShape }).required(),
)
  .strict()
  .max(MOST_IN_TEXT)
  .test(
    'not-too-many',
    'A text has too many equations.',
    (all) => !isTooMuch((all ?? []).map(({ outline }) => outline as EquationOutline)),
  );
