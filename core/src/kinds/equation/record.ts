import { object, string } from 'yup';
import { LONGEST_TEX, outlineShape } from '../../equations/index.ts';
import { type MarkRecord, markShape, matrixShape } from '../../marks/index.ts';
import type { EquationMark } from './mark.ts';

const shape = object({
  ...markShape,
  tex: string().strict().required().max(LONGEST_TEX),
  outline: outlineShape,
  place: matrixShape.required(),
});

export const toEquationRecord = (mark: EquationMark): MarkRecord => ({ ...mark });

export const fromEquationRecord = (record: unknown): EquationMark =>
  shape.validateSync(record, { strict: true }) as unknown as EquationMark;
