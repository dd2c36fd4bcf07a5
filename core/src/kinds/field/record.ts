import { array, boolean, mixed, number, object, string } from 'yup';
import { colourShape, finite, type MarkRecord, markShape } from '../../marks/index.ts';
import { ALIGNMENTS, FAMILIES } from '../../type/index.ts';
import { type FieldMark, type Sign, SIGNS } from './mark.ts';

/** Units of text that a field may hold, and values that may be chosen in it. */
export const LONGEST_VALUE = 100_000;
const MOST_VALUES = 10_000;
const LONGEST_NAME = 2000;
const MOST_CELLS = 1000;

const text = string().strict().defined().max(LONGEST_VALUE);
const name = string().strict().defined().max(LONGEST_NAME);
const yes = boolean().strict().required();
const count = number().strict().integer().min(0).required();

const shape = object({
  ...markShape,
  field: name,
  label: name,
  widget: object({
    index: count,
    object: count,
    box: object({ minX: finite, minY: finite, maxX: finite, maxY: finite }).required(),
    state: text.nullable(),
    turn: number().strict().oneOf([0, 90, 180, 270]).required(),
  }).required(),
  value: array(text).strict().required().max(MOST_VALUES),
  text,
  letters: object({
    family: string()
      .strict()
      .oneOf([...FAMILIES])
      .required(),
    bold: yes,
    italic: yes,
    size: finite.min(0).max(1000),
    align: string()
      .strict()
      .oneOf([...ALIGNMENTS])
      .required(),
    lines: yes,
    cells: count.max(MOST_CELLS),
    secret: yes,
  })
    .nullable()
    .defined(),
  frame: object({
    ground: colourShape.nullable().defined(),
    border: object({ colour: colourShape, width: finite.min(0).max(100), under: yes })
      .nullable()
      .defined(),
    round: yes,
  }).required(),
  sign: mixed<Sign>()
    .nullable()
    .defined()
    .oneOf<Sign | null>([...SIGNS, null]),
});

export const toFieldRecord = (mark: FieldMark): MarkRecord => ({ ...mark });

export const fromFieldRecord = (record: unknown): FieldMark =>
  shape.validateSync(record, { strict: true }) as unknown as FieldMark;
