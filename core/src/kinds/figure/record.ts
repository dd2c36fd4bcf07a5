import { array, mixed, object, string } from 'yup';
import {
  colourShape,
  type MarkRecord,
  MarkRecordError,
  markShape,
  shareShape,
} from '../../marks/index.ts';
import { fromInkRecord, type InkMark, toInkRecord } from '../ink/index.ts';
import type { FigureMark } from './mark.ts';
import { dashShape, figureShape } from './shape.ts';

/** Strokes that a stored figure may have been tidied from. */
const MOST_STROKES = 50;

const tie = object({
  mark: string().strict().required().max(200),
  at: object({ x: shareShape, y: shareShape }).required(),
});

const shape = object({
  ...markShape,
  figure: figureShape,
  dash: dashShape,
  fill: object({ colour: colourShape, opacity: shareShape }).nullable().defined(),
  from: array(mixed().required()).strict().required().max(MOST_STROKES),
  ties: object({ from: tie.required(), to: tie.required() }).default(undefined),
});

/** A figure of the first releases: of one stroke, plain. */
const firstShape = object({ ...markShape, figure: figureShape, ink: mixed().nullable() });

export const toFigureRecord = (mark: FigureMark): MarkRecord => ({
  ...mark,
  from: mark.from.map(toInkRecord),
});

export function fromFigureRecord(record: unknown): FigureMark {
  if (!('from' in (record as object))) return fromFirst(record);
  const checked = shape.validateSync(record, { strict: true });
  const from = (checked.from as { kind?: unknown }[]).map((stroke): InkMark => {
    if (stroke.kind !== 'ink')
      throw new MarkRecordError('A figure was tidied from what is no ink.');
    return fromInkRecord(stroke);
  });
  return { ...checked, from } as FigureMark;
}

function fromFirst(record: unknown): FigureMark {
  const checked = firstShape.validateSync(record, { strict: true });
  const { ink, figure, ...base } = checked;
  const from = ink ? [fromInkRecord({ ...base, kind: 'ink', tool: 'pen', ink })] : [];
  return { ...base, kind: 'figure', figure, dash: 'none', fill: null, from } as FigureMark;
}
