import { array, boolean, number, object, string } from 'yup';
import { outlinesInTextShape } from '../../equations/index.ts';
import { colourShape, finite, type MarkRecord, markShape, shareShape } from '../../marks/index.ts';
import { ALIGNMENTS, FAMILIES, LISTS } from '../../type/index.ts';
import { pointShape } from '../quadShape.ts';
import type { TextMark } from './mark.ts';

/** Units of text that a box may have, and stretches of one look in it. */
export const LONGEST_TEXT = 100_000;
const MOST_SPANS = 10_000;
const MOST_POINTS = 100_000;

const span = object({
  text: string().strict().defined().max(LONGEST_TEXT),
  style: object({
    family: string()
      .strict()
      .oneOf([...FAMILIES])
      .required(),
    size: finite.min(0.01).max(MOST_POINTS),
    bold: boolean().strict().required(),
    italic: boolean().strict().required(),
    underline: boolean().strict().required(),
    colour: colourShape,
  }).required(),
}).required();

const shape = object({
  ...markShape,
  at: pointShape,
  angle: finite,
  block: object({
    spans: array(span).strict().required().min(1).max(MOST_SPANS),
    width: finite.min(0).max(MOST_POINTS),
    align: string()
      .strict()
      .oneOf([...ALIGNMENTS])
      .required(),
    leading: finite.min(0.2).max(20),
    indent: number().strict().min(0).max(MOST_POINTS),
    list: string()
      .strict()
      .oneOf([...LISTS]),
    fit: number()
      .strict()
      .moreThan(0)
      .max(10 * MOST_POINTS),
    cell: number().strict().moreThan(0).max(MOST_POINTS),
    equations: outlinesInTextShape,
  }).required(),
  height: finite.min(0).max(10 * MOST_POINTS),
  padding: finite.min(0).max(MOST_POINTS),
  background: object({ colour: colourShape, opacity: shareShape }).nullable().defined(),
  border: finite.min(0).max(MOST_POINTS),
  leader: object({
    to: pointShape,
    bend: pointShape.nullable().defined(),
    head: finite.min(0).max(MOST_POINTS),
  }).default(undefined),
});

export const toTextRecord = (mark: TextMark): MarkRecord => ({ ...mark });

export const fromTextRecord = (record: unknown): TextMark =>
  shape.validateSync(record, { strict: true }) as unknown as TextMark;
