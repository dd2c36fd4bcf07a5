import { array, number, object, string, ValidationError } from 'yup';
import { asInk, fromMarkRecord, type InkMark, toMarkRecord } from '../../kinds/index.ts';
import type { MarkId } from '../../marks/index.ts';
import { type Task, taskShape } from './task.ts';

/** One remark of a thread. */
export interface Remark {
  readonly id: string;
  /** Nobody when empty. */
  readonly author: string;
  /** What it says; of one that is written with the pen how that reads, if somebody has said so. */
  readonly text: string;
  /** What is written with the pen: strokes on a sheet of their own, its head at y = 0 and all of them below, points; none where it is typed. */
  readonly ink?: readonly InkMark[];
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** When it was changed last; null when it stands as it was made. */
  readonly editedAt: number | null;
}

/** What is said about a mark, remark by remark. */
export interface Thread {
  readonly id: string;
  readonly mark: MarkId;
  /** In order of time; the first is the note itself, the others answer it. */
  readonly remarks: readonly Remark[];
  /** Who settled it, and when; null while it is open. */
  readonly settled: { readonly by: string; readonly at: number } | null;
  /** The labels it carries, by id. */
  readonly tags: readonly string[];
  /** What is to be done, where something is. */
  readonly task?: Task;
  /** What it was about, in a word, where that has been taken off the page since. */
  readonly was?: string;
}

/** What strokes of a remark have in place of a page: the sheet they are written on. */
export const REMARK_SHEET = 'sheet';
/** Strokes that a remark may have. */
export const MOST_STROKES = 2000;

/** Units of text that a remark may have. */
export const LONGEST_REMARK = 100_000;

const id = string().strict().required().max(100);
const author = string().strict().defined().max(200);
const time = number().strict().required();

export const threadShape = object({
  id,
  mark: id,
  remarks: array(
    object({
      id,
      author,
      text: string().strict().defined().max(LONGEST_REMARK),
      madeAt: time,
      editedAt: number().strict().nullable().defined(),
      ink: array(object().required()).strict().optional().min(1).max(MOST_STROKES),
    }).required(),
  )
    .strict()
    .required()
    .max(10_000),
  settled: object({ by: author, at: time }).nullable().defined(),
  tags: array(id).strict().required().max(100),
  task: taskShape.optional().default(undefined),
  was: string().strict().optional().max(200),
});

/** Plain JSON, which {@link fromThreadRecord} of this and every later release reads. */
export const toThreadRecord = (thread: Thread): object => ({
  ...thread,
  remarks: thread.remarks.map((remark) =>
    remark.ink ? { ...remark, ink: remark.ink.map(toMarkRecord) } : remark,
  ),
});

/** @throws ValidationError, MarkRecordError */
export function fromThreadRecord(record: unknown): Thread {
  const { remarks, ...thread } = threadShape.required().validateSync(record, { strict: true });
  return {
    ...thread,
    remarks: remarks.map(({ ink, ...remark }) =>
      ink ? { ...remark, ink: ink.map(strokeOf) } : remark,
    ),
  } as Thread;
}

function strokeOf(record: object): InkMark {
  const ink = asInk(fromMarkRecord(record));
  if (!ink) throw new ValidationError('a remark is written with something else than ink');
  return ink;
}
