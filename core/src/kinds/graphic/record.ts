import { object, string } from 'yup';
import { graphicShape } from '../../graphics/index.ts';
import { LONGEST_SAID, type MarkRecord, markShape, matrixShape } from '../../marks/index.ts';
import type { GraphicMark } from './mark.ts';

const shape = object({
  ...markShape,
  graphic: graphicShape,
  place: matrixShape.required(),
  says: string().strict().defined().max(LONGEST_SAID),
});

export const toGraphicRecord = (mark: GraphicMark): MarkRecord => ({ ...mark });

export const fromGraphicRecord = (record: unknown): GraphicMark =>
  shape.validateSync(record, { strict: true }) as unknown as GraphicMark;
