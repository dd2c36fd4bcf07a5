import { array, object, string } from 'yup';
import { type MarkRecord, markShape } from '../../marks/index.ts';
import { pointShape, quadShape } from '../quadShape.ts';
import type { NoteMark } from './mark.ts';

/** Lines and units of text that nobody has marked at once. */
const MOST_LINES = 2000;
const MOST_UNITS = 100_000;
const MOST_AROUND = 200;

const text = string().strict().defined();
const shape = object({
  ...markShape,
  at: pointShape,
  area: array(pointShape).length(4).default(undefined),
  quads: array(quadShape).strict().required().max(MOST_LINES),
  quote: object({
    exact: text.max(MOST_UNITS),
    before: text.max(MOST_AROUND),
    after: text.max(MOST_AROUND),
  }).required(),
});

export const toNoteRecord = (mark: NoteMark): MarkRecord => ({ ...mark });

export const fromNoteRecord = (record: unknown): NoteMark =>
  shape.validateSync(record, { strict: true }) as unknown as NoteMark;
