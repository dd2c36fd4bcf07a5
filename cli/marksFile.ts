import {
  applyTransaction,
  type DocState,
  emptyDocument,
  nextOrder,
  type Page,
  type Transaction,
  markChange,
} from '@marginalis/core/document';
import { bringInInk, drawInk } from '@marginalis/core/editing';
import { InkmlError, placeTraces, readInkml } from '@marginalis/core/formats';
import { fromMarkRecord } from '@marginalis/core/kinds';
import { INSTRUMENTS, MarkRecordError, writes } from '@marginalis/core/marks';
import { array, lazy, mixed, number, object, string, ValidationError } from 'yup';
import { CommandError, EXIT } from './io.ts';

const WRITING = INSTRUMENTS.filter(writes);

/** Of a pen that knows no pressure (W3C Pointer Events). */
const PRESSURE = 0.5;

const page = number().strict().integer().min(1).required();
const finite = number().strict().required();
const strokeShape = object({
  page,
  instrument: string()
    .oneOf(WRITING.map((i) => i.id))
    .default('fine-pen'),
  colour: string().matches(/^#[0-9a-f]{6}$/),
  widthMm: number().strict().min(0.05).max(50),
  opacity: number().strict().min(0).max(1),
  steadiness: number().strict().min(0).max(100),
  samples: array(
    object({
      x: finite,
      y: finite,
      t: finite,
      pressure: number().strict().min(0).max(1),
      tiltX: number().strict().min(-90).max(90),
      tiltY: number().strict().min(-90).max(90),
    }).required(),
  )
    .min(1)
    .required(),
});
/** A mark as it is stored (docs/formats.md), its page a number from 1; what only tells when and in which order may be left out. */
const recordShape = object({ kind: string().required(), page });
const fileShape = object({
  marks: array(
    lazy((value: unknown) =>
      typeof value !== 'object' || value === null
        ? mixed().test('mark', 'a mark is an object', () => false)
        : 'kind' in value
          ? recordShape
          : strokeShape,
    ),
  ).required(),
});

/** A document with the marks of a file: JSON, or InkML by its ending. @throws CommandError */
export function documentWith(pages: readonly Page[], path: string, text: string): DocState {
  try {
    return /\.inkml$/i.test(path) ? fromInkml(pages, text) : fromJson(pages, text);
  } catch (e) {
    if (
      e instanceof InkmlError ||
      e instanceof MarkRecordError ||
      e instanceof ValidationError ||
      e instanceof SyntaxError
    )
      throw new CommandError(EXIT.badMarks, `${path}: ${e.message}`);
    throw e;
  }
}

function fromInkml(pages: readonly Page[], text: string): DocState {
  const start = emptyDocument(pages);
  let n = 0;
  return done(
    start,
    bringInInk(start, placeTraces(readInkml(text), pages, 0), () => `m${n++}`, 0),
  );
}

function fromJson(pages: readonly Page[], text: string): DocState {
  const read: unknown = JSON.parse(text);
  const { marks } = fileShape.validateSync(Array.isArray(read) ? { marks: read } : read);
  return marks.reduce<DocState>((state, mark, i) => {
    const { page: number, ...own } = mark as { page: number };
    const ref = pages[number - 1];
    if (!ref)
      throw new ValidationError(`mark ${i + 1} names page ${number}; there are ${pages.length}`);
    return done(
      state,
      'kind' in own ? stored(state, ref, own, i) : written(state, ref, own as never, i),
    );
  }, emptyDocument(pages));
}

function stored(state: DocState, { id }: Page, own: object, i: number): Transaction {
  const first = { id: `m${i}`, order: nextOrder(state, id), madeAt: 0 };
  const after = fromMarkRecord({ ...first, ...own, page: id });
  return { label: 'Bring in', changes: [markChange(null, after)] };
}

type Stroke = Omit<ReturnType<typeof strokeShape.validateSync>, 'page'>;

function written(
  state: DocState,
  { id }: Page,
  { instrument: name, samples, ...look }: Stroke,
  i: number,
): Transaction {
  const known = WRITING.find((instrument) => instrument.id === name) ?? WRITING[0];
  const given = Object.fromEntries(Object.entries(look).filter(([, value]) => value !== undefined));
  return drawInk(state, {
    id: `m${i}`,
    page: id,
    instrument: { ...known, ...given },
    // A strict number takes no default from its shape.
    samples: samples.map((sample) => ({ ...sample, pressure: sample.pressure ?? PRESSURE })),
    madeAt: 0,
  });
}

function done(state: DocState, transaction: Transaction | null): DocState {
  if (!transaction) return state;
  const applied = applyTransaction(state, transaction);
  if (!applied.ok) throw new ValidationError(`the marks do not fit together: ${applied.reason}`);
  return applied.state;
}
