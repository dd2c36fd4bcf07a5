import { object, string } from 'yup';
import { type MarkRecord, markShape, matrixShape } from '../../marks/index.ts';
import type { PictureMark } from './mark.ts';

/** Units of text that may say what is to be seen on a picture. */
export const LONGEST_SAID = 2000;

const shape = object({
  ...markShape,
  source: string().strict().required().max(100),
  place: matrixShape.required(),
  says: string().strict().defined().max(LONGEST_SAID),
});

export const toPictureRecord = (mark: PictureMark): MarkRecord => ({ ...mark });

export const fromPictureRecord = (record: unknown): PictureMark =>
  shape.validateSync(record, { strict: true }) as unknown as PictureMark;
