import type { ListedNote } from '@marginalis/core/derived';
import type { Tag, Task } from '@marginalis/core/document';

/** What a note is to people: what it is about, who said what, and whether that is dealt with. */
export interface NoteInWords {
  /** Its page, and the words there. */
  readonly about: string;
  readonly remarks: readonly {
    /** Whose it is, and when. */
    readonly by: string;
    readonly text: string;
  }[];
  /** What is to be done; empty where nothing is. */
  readonly task: string;
  /** What its labels are called. */
  readonly labels: readonly string[];
  /** Who settled it, and when; empty while it is open. */
  readonly settled: string;
}

/** A time, given in ms since 1970. */
export const timeInWords = (time: number): string =>
  new Date(time).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  });

/** A day, given as `YYYY-MM-DD`. */
export const dayInWords = (day: string): string =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
  });

/** What is to be done, by whom and until when. */
export const taskInWords = ({ kind, title, who, until, begun }: Task, done: boolean): string =>
  [
    kind || 'Task',
    title,
    who && `for ${who}`,
    until && `until ${dayInWords(until)}`,
    done ? 'done' : begun ? 'begun' : '',
  ]
    .filter(Boolean)
    .join(' · ');

/** `nameOf` says what a page, from 0, is called. */
export function noteInWords(
  { thread, about }: ListedNote,
  nameOf: (page: number) => string,
  tags: ReadonlyMap<string, Tag>,
): NoteInWords {
  const { settled } = thread;
  const words = thread.was
    ? `${thread.was}, rubbed out since`
    : about?.words.text && `“${about.words.text}”`;
  return {
    about: about
      ? [`Page ${nameOf(about.page)}`, words].filter(Boolean).join(' · ')
      : 'What it was about is gone from the page.',
    remarks: thread.remarks.map(({ author, madeAt, editedAt, text }) => ({
      by: [author, timeInWords(madeAt), editedAt !== null && 'changed'].filter(Boolean).join(' · '),
      text,
    })),
    task: thread.task ? taskInWords(thread.task, settled !== null) : '',
    labels: thread.tags.flatMap((id) => tags.get(id)?.name ?? []),
    settled: settled
      ? ['Settled', settled.by && `by ${settled.by}`, timeInWords(settled.at)]
          .filter(Boolean)
          .join(' ')
      : '',
  };
}
