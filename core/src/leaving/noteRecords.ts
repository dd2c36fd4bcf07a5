import { listNotes } from '../derived/index.ts';
import type { DocState, Remark, Task, Thread } from '../document/index.ts';

/** A saying in a note as other programs are told of it. */
export interface SaidRecord {
  /** Nobody when empty. */
  readonly author: string;
  /** Milliseconds since 1970; and when it was changed last, or null. */
  readonly madeAt: number;
  readonly editedAt: number | null;
  /** With its signs of emphasis. */
  readonly text: string;
  /** It is written with the pen: its text is how that reads, if somebody has said so. */
  readonly written: boolean;
}

/** A note as other programs are told of it. */
export interface NoteRecord {
  readonly number: number;
  /** What its page is called; empty where its place is gone. */
  readonly page: string;
  /** The words it is about, or what was there before it was rubbed out; empty where it is about none. */
  readonly quote: string;
  /** The note itself, and the answers to it. */
  readonly said: readonly SaidRecord[];
  readonly labels: readonly string[];
  readonly task: Task | null;
  readonly settled: Thread['settled'];
}

const saidIn = ({ author, madeAt, editedAt, text, ink }: Remark): SaidRecord => ({
  author,
  madeAt,
  editedAt,
  text,
  written: ink !== undefined,
});

/** The notes of a document in reading order; `names` are what its pages are called. */
export const noteRecords = (state: DocState, names: readonly string[]): NoteRecord[] =>
  listNotes(state).map(({ thread, number, about }) => ({
    number,
    page: about ? names[about.page] : '',
    quote: thread.was ?? about?.words.text ?? '',
    said: thread.remarks.map(saidIn),
    labels: thread.tags.flatMap((id) => state.tags.get(id)?.name ?? []),
    task: thread.task ?? null,
    settled: thread.settled,
  }));
