import { array, boolean, lazy, mixed, number, object, string } from 'yup';
import { PLAIN_NIB } from '../../ink/index.ts';
import {
  finite,
  type MarkRecord,
  MarkRecordError,
  markShape,
  matrixShape,
  nibShape,
  shareShape,
} from '../../marks/index.ts';
import { pathText, readPathText } from './drawnOutline.ts';
import type { InkMark, WrittenInk } from './mark.ts';
import { samplesOfStored, storedSamples } from './storedSamples.ts';

const inkBase = { samples: string().strict().required(), steadiness: finite.min(0).max(100) };
const firstInkShape = object({
  ...inkBase,
  thinning: shareShape,
  engine: number().strict().oneOf([1]),
});
const handShape = object({
  jerk: finite.min(0).max(1e15),
  tremor: finite.min(0).max(1e6),
  tremorHz: finite.min(1).max(50),
  evenClock: boolean().strict().required(),
  turns: array(finite.integer().min(0)).strict().required(),
});
/** Characters of an outline that another program has drawn. */
const LONGEST_OUTLINE = 4_000_000;
const secondInkShape = object({
  ...inkBase,
  nib: nibShape.required(),
  straight: boolean().strict().required(),
  engine: number().strict().oneOf([0, 1, 2]).required(),
  hand: handShape.nullable().defined().default(null),
  place: matrixShape,
  drawn: object({
    outline: string().strict().required().max(LONGEST_OUTLINE),
    width: finite.min(0),
  })
    .optional()
    .default(undefined),
});
/** Ink of the first release had pressure only. */
const inkShape = lazy((value: { thinning?: unknown } | null | undefined) =>
  value === null
    ? mixed().nullable()
    : (value && 'thinning' in value ? firstInkShape : secondInkShape).required(),
);

const shape = object({
  ...markShape,
  tool: string().strict().oneOf(['pen', 'highlighter']).required(),
  ink: inkShape,
});

interface InkRecord extends Omit<WrittenInk, 'samples' | 'drawn'> {
  readonly samples: string;
  readonly drawn?: { readonly outline: string; readonly width: number };
}

const ofRecord = (
  record: InkRecord | { thinning: number; samples: string; steadiness: number },
): WrittenInk => {
  const samples = samplesOfStored(record.samples);
  if (!('thinning' in record)) {
    const { drawn, ...ink } = record;
    if (!drawn) return { ...ink, samples };
    return { ...ink, samples, drawn: { ...drawn, outline: readPathText(drawn.outline) } };
  }
  const { thinning, steadiness } = record;
  return {
    samples,
    steadiness,
    nib: { ...PLAIN_NIB, thinning },
    straight: false,
    engine: 1,
    hand: null,
  };
};

export const toInkRecord = (mark: InkMark): MarkRecord => ({
  ...mark,
  ink: {
    ...mark.ink,
    samples: storedSamples(mark.ink.samples),
    ...(mark.ink.drawn
      ? { drawn: { ...mark.ink.drawn, outline: pathText(mark.ink.drawn.outline) } }
      : {}),
  },
});

export function fromInkRecord(record: unknown): InkMark {
  const checked = shape.validateSync(record, { strict: true });
  if (checked.kind !== 'ink') throw new MarkRecordError('What is no ink is stored as ink.');
  if (!checked.ink) throw new MarkRecordError('Ink without samples.');
  return { ...checked, ink: ofRecord(checked.ink as InkRecord) } as InkMark;
}
