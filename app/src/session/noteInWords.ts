import type { ListedNote } from '@marginalis/core/derived';

/** What a note is to people: what it is about, who said what, and whether that is dealt with. */
export interface NoteInWords {
  /** Its page, and the words there. */
  readonly about: string;
  readonly remarks: readonly {
    /** Whose it is, and when. */
    readonly by: string;
    readonly text: string;
  }[];
  /** Who settled it, and when; empty while it is open. */
  readonly settled: string;
}

const timeOf = (time: number): string =>
  new Date(time).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  });

/** `nameOf` says what a page, from 0, is called. */
export function noteInWords(
  { thread, about }: ListedNote,
  nameOf: (page: number) => string,
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
      by: [author, timeOf(madeAt), editedAt !== null && 'changed'].filter(Boolean).join(' · '),
      text,
    })),
    settled: settled
      ? ['Settled', settled.by && `by ${settled.by}`, timeOf(settled.at)].filter(Boolean).join(' ')
      : '',
  };
}
