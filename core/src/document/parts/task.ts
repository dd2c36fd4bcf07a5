import { boolean, object, string } from 'yup';

/** That something is to be done about what a note is about. It is done when the note is settled. */
export interface Task {
  /** What sort of thing, in a word; nothing in particular when empty. */
  readonly kind: string;
  /** What is to be done; what the note says when empty. */
  readonly title: string;
  /** Who is to do it; nobody in particular when empty. */
  readonly who: string;
  /** The last day for it, as ISO 8601 writes it, `YYYY-MM-DD`; null without. */
  readonly until: string | null;
  readonly begun: boolean;
  /** The id of the attachment that shows what it is about; none where left out. */
  readonly picture?: string;
}

/** Characters that what is said of a task may have. */
export const LONGEST_TASK_WORD = 200;

/** Whether it is a day that exists, as `YYYY-MM-DD`. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d\d-\d\d$/.test(text)) return false;
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
}

const words = string().strict().defined().max(LONGEST_TASK_WORD);

export const taskShape = object({
  kind: words,
  title: words,
  who: words,
  until: string()
    .strict()
    .nullable()
    .defined()
    .test('day', 'is no day', (text) => text === null || isDay(text)),
  begun: boolean().strict().required(),
  picture: string().strict().optional().max(100),
});
