import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  tuple,
  ValidationError,
  type Schema,
} from 'yup';
import type { Figure } from '../figures/index.ts';
import { decodeSamples, encodeSamples, PLAIN_NIB, SampleCodecError } from '../ink/index.ts';
import { fromBase64, toBase64 } from './base64.ts';
import type { Mark, WrittenInk } from './mark.ts';
import { finite, nibShape } from './nibShape.ts';

/** Thrown when stored data is not a mark; the message says which part. */
export class MarkRecordError extends Error {
  override readonly name = 'MarkRecordError';
}

/** A mark as plain JSON, with its samples coded. */
export type MarkRecord = Record<string, unknown>;

const share = finite.min(0).max(1);
const point = object({ x: finite, y: finite }).required();
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
});
/** Ink of the first release had pressure only. */
const inkShape = lazy((value: { thinning?: unknown } | null | undefined) =>
  value === null
    ? mixed().nullable()
    : (value && 'thinning' in value ? firstInkShape : secondInkShape).required(),
);

const figureShapes: Record<Figure['kind'], Schema> = {
  line: object({ kind: string(), from: point, to: point }),
  arrow: object({ kind: string(), from: point, to: point, head: finite.min(0) }),
  rectangle: object({
    kind: string(),
    centre: point,
    width: finite.min(0),
    height: finite.min(0),
    angle: finite,
  }),
  circle: object({ kind: string(), centre: point, radius: finite.min(0) }),
  ellipse: object({
    kind: string(),
    centre: point,
    rx: finite.min(0),
    ry: finite.min(0),
    angle: finite,
  }),
  triangle: object({ kind: string(), corners: tuple([point, point, point]).required() }),
};

const figureShape = lazy((value: { kind?: unknown } | undefined) => {
  const shape = figureShapes[String(value?.kind) as Figure['kind']];
  return shape ? shape.required() : mixed().required().oneOf([], 'figure has an unknown kind');
});

const base = {
  id,
  page: id,
  order: finite,
  madeAt: finite,
  style: object({
    colour: string()
      .strict()
      .required()
      .matches(/^#[0-9a-f]{6}$/),
    width: finite.min(0).max(1000),
    opacity: share,
  }).required(),
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
    ink: inkShape,
  }),
};

interface InkRecord extends Omit<WrittenInk, 'samples'> {
  readonly samples: string;
}

const fromInkRecord = (
  record: InkRecord | { thinning: number; samples: string; steadiness: number },
): WrittenInk => {
  const samples = decodeSamples(fromBase64(record.samples));
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
  samples: toBase64(encodeSamples(ink.samples)),
});

export function toMarkRecord(mark: Mark): MarkRecord {
  return { ...mark, ink: mark.ink && toInkRecord(mark.ink) };
}

/** @throws MarkRecordError when `record` is not what {@link toMarkRecord} makes */
export function fromMarkRecord(record: unknown): Mark {
  const kind = (record as { kind?: unknown } | null)?.kind;
  if (kind !== 'ink' && kind !== 'figure')
    throw new MarkRecordError(`A mark of the kind "${String(kind)}" is not known here.`);
  try {
    const checked = markShapes[kind].validateSync(record, { strict: true });
    if (kind === 'ink' && !checked.ink) throw new MarkRecordError('Ink without samples.');
    const ink = checked.ink && fromInkRecord(checked.ink as InkRecord);
    return { ...checked, ink } as Mark;
  } catch (e) {
    if (e instanceof ValidationError || e instanceof RangeError || e instanceof SampleCodecError)
      throw new MarkRecordError(`A stored mark is damaged: ${e.message}`);
    throw e;
  }
}
