import { boolean, object, string } from 'yup';
import { colourShape, finite, type MarkRecord, markShape } from '../../marks/index.ts';
import { printedLettersShape } from '../../print/index.ts';
import { FAMILIES } from '../../type/index.ts';
import { pointShape, quadShape } from '../quadShape.ts';
import type { CorrectionMark } from './mark.ts';

/** A line of print is no longer, characters. */
export const LONGEST_LINE = 2000;
/** Letters are set no narrower and no wider than this. */
export const [NARROWEST, WIDEST] = [0.7, 1.4];

const MOST_POINTS = 100_000;

const shape = object({
  ...markShape,
  was: string().strict().defined().max(LONGEST_LINE),
  quad: quadShape,
  says: string().strict().defined().max(LONGEST_LINE),
  look: object({
    family: string()
      .strict()
      .oneOf([...FAMILIES])
      .required(),
    size: finite.min(0.5).max(MOST_POINTS),
    bold: boolean().strict().required(),
    italic: boolean().strict().required(),
    underline: boolean().strict().required(),
    colour: colourShape,
  }).required(),
  at: pointShape,
  angle: finite,
  shift: pointShape.optional().default(undefined),
  width: finite.min(0).max(MOST_POINTS),
  stretch: finite.min(0.1).max(10),
  own: object({
    letters: printedLettersShape,
    drop: finite.min(0).max(10),
    stretch: finite.min(0.1).max(10),
  })
    .optional()
    .default(undefined),
  paper: string()
    .strict()
    .nullable()
    .defined()
    .matches(/^#[0-9a-f]{6}$/),
});

export const toCorrectionRecord = (mark: CorrectionMark): MarkRecord => ({ ...mark });

export const fromCorrectionRecord = (record: unknown): CorrectionMark =>
  shape.validateSync(record, { strict: true }) as unknown as CorrectionMark;
