import { object, string } from 'yup';
import { LONGEST_SAID, type MarkRecord, markShape, matrixShape } from '../../marks/index.ts';
import type { PictureMark } from './mark.ts';

const shape = object({
  ...markShape,
  source: string().strict().required().max(100),
  place: matrixShape.required(),
  says: string().strict().defined().max(LONGEST_SAID),
});

export const toPictureRecord = (mark: PictureMark): MarkRecord => ({ ...mark });

export const fromPictureRecord = (record: unknown): PictureMark =>
  shape.validateSync(record, { strict: true }) as unknown as PictureMark;
