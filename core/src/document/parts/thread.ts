import { array, number, object, string } from 'yup';
import type { MarkId } from '../../marks/index.ts';
import { type Task, taskShape } from './task.ts';

/** One remark of a thread. */
export interface Remark {
  readonly id: string;
  /** Nobody when empty. */
  readonly author: string;
  readonly text: string;
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
