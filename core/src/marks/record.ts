import { array, boolean, lazy, mixed, number, object, string, ValidationError } from 'yup';
import { PLAIN_NIB, SampleCodecError } from '../ink/index.ts';
import { dashShape, figureShape } from './figureShape.ts';
import type { FigureMark, InkMark, Mark, WrittenInk } from './mark.ts';
import { finite, nibShape } from './nibShape.ts';
import { samplesOfStored, storedSamples } from './storedSamples.ts';

/** Thrown when stored data is not a mark; the message says which part. */
export class MarkRecordError extends Error {
  override readonly name = 'MarkRecordError';
}

/** A mark as plain JSON, with its samples coded. */
export type MarkRecord = Record<string, unknown>;

const share = finite.min(0).max(1);
const id = string().strict().required().max(100);

const inkBase = { samples: string().strict().required(), steadiness: finite.min(0).max(100) };
const firstInkShape = object({ ...inkBase, thinning: share, engine: number().strict().oneOf([1]) });
const handShape = object({
  jerk: finite.min(0).max(1e15),
  tremor: finite.min(0).max(1e6),
  tremorHz: finite.min(1).max(50),
  evenClock: boolean().strict().required(),
  turns: array(finite.integer().min(0)).strict().required(),
});
const secondInkShape = object({
  ...inkBase,
  nib: nibShape.required(),
  straight: boolean().strict().required(),
  engine: number().strict().oneOf([1, 2]).required(),
  hand: handShape.nullable().defined().default(null),
  place: array(finite.min(-1e6).max(1e6)).strict().length(6),
});
/** Ink of the first release had pressure only. */
const inkShape = lazy((value: { thinning?: unknown } | null | undefined) =>
  value === null
    ? mixed().nullable()
    : (value && 'thinning' in value ? firstInkShape : secondInkShape).required(),
);

const colour = string()
  .strict()
  .required()
  .matches(/^#[0-9a-f]{6}$/);
/** Strokes that a stored figure may have been tidied from. */
const MOST_STROKES = 50;

/** Runs that rubbing may have left of one mark. */
const MOST_RUNS = 10_000;
const runShape = object({
  line: finite.integer().min(0),
  from: finite.min(0),
  to: finite.min(0),
}).required();

const base = {
  id,
  page: id,
  order: finite,
  madeAt: finite,
  style: object({
    colour,
    width: finite.min(0).max(1000),
    opacity: share,
  }).required(),
  left: array(runShape).strict().min(1).max(MOST_RUNS),
  group: string().strict().max(100),
  author: string().strict().max(200),
  locked: boolean().strict().oneOf([true]),
};

const markShapes = {
  ink: object({
    ...base,
    kind: string().required(),
    tool: string().strict().oneOf(['pen', 'highlighter']).required(),
    ink: inkShape,
  }),
  figure: object({
    ...base,
    kind: string().required(),
    figure: figureShape,
    dash: dashShape,
    fill: object({ colour, opacity: share }).nullable().defined(),
    from: array(mixed().required()).strict().required().max(MOST_STROKES),
  }),
  /** A figure of the first releases: of one stroke, plain. */
  firstFigure: object({
    ...base,
    kind: string().required(),
    figure: figureShape,
    ink: inkShape,
  }),
};

interface InkRecord extends Omit<WrittenInk, 'samples'> {
  readonly samples: string;
}

const fromInkRecord = (
  record: InkRecord | { thinning: number; samples: string; steadiness: number },
): WrittenInk => {
  const samples = samplesOfStored(record.samples);
  if (!('thinning' in record)) return { ...record, samples };
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

const toInkRecord = (ink: WrittenInk): Record<string, unknown> => ({
  ...ink,
  samples: storedSamples(ink.samples),
});

export function toMarkRecord(mark: Mark): MarkRecord {
  if (mark.kind === 'ink') return { ...mark, ink: toInkRecord(mark.ink) };
  return { ...mark, from: mark.from.map(toMarkRecord) };
}

/** @throws MarkRecordError when `record` is not what {@link toMarkRecord} makes, or made in an earlier release */
export function fromMarkRecord(record: unknown): Mark {
  const kind = (record as { kind?: unknown } | null)?.kind;
  if (kind !== 'ink' && kind !== 'figure')
    throw new MarkRecordError(`A mark of the kind "${String(kind)}" is not known here.`);
  try {
    return kind === 'ink' ? fromInkMark(record) : fromFigureMark(record);
  } catch (e) {
    if (e instanceof ValidationError || e instanceof RangeError || e instanceof SampleCodecError)
      throw new MarkRecordError(`A stored mark is damaged: ${e.message}`);
    throw e;
  }
}

function fromInkMark(record: unknown): InkMark {
  const checked = markShapes.ink.validateSync(record, { strict: true });
  if (!checked.ink) throw new MarkRecordError('Ink without samples.');
  return { ...checked, ink: fromInkRecord(checked.ink as InkRecord) } as InkMark;
}

function fromFigureMark(record: unknown): FigureMark {
  if (!('from' in (record as object))) return fromFirstFigure(record);
  const checked = markShapes.figure.validateSync(record, { strict: true });
  const from = (checked.from as unknown[]).map((stroke) => {
    const mark = fromMarkRecord(stroke);
    if (mark.kind !== 'ink') throw new MarkRecordError('A figure was tidied from what is no ink.');
    return mark;
  });
  return { ...checked, from } as FigureMark;
}

function fromFirstFigure(record: unknown): FigureMark {
  const checked = markShapes.firstFigure.validateSync(record, { strict: true });
  const { ink, figure, ...base } = checked;
  const from = ink
    ? [{ ...base, kind: 'ink', tool: 'pen', ink: fromInkRecord(ink as InkRecord) } as InkMark]
    : [];
  return { ...base, kind: 'figure', figure, dash: 'none', fill: null, from } as FigureMark;
}
