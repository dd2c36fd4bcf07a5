import { array, object, string } from 'yup';
import { type MarkRecord, markShape } from '../../marks/index.ts';
import { quadShape } from '../quadShape.ts';
import type { RedactionMark } from './mark.ts';

/** Words beneath are no longer, characters; and bars no more. */
export const LONGEST_REDACTED = 100_000;
export const MOST_BARS = 5_000;

const shape = object({
  ...markShape,
  quads: array().of(quadShape).strict().required().min(1).max(MOST_BARS),
  says: string().strict().defined().max(LONGEST_REDACTED),
});

export const toRedactionRecord = (mark: RedactionMark): MarkRecord => ({ ...mark });

export const fromRedactionRecord = (record: unknown): RedactionMark =>
  shape.validateSync(record, { strict: true }) as unknown as RedactionMark;
