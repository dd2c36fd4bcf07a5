import { listNotes } from '@marginalis/core/derived';
import { MOST_SHARED_NOTES, type SharedNote } from '@marginalis/core/wire';
import type { Part } from './useAsked';

/** Of the words a note is about, so many are shown, characters. */
const QUOTE = 300;

const cut = (text: string): string => (text.length > QUOTE ? `${text.slice(0, QUOTE - 1)}…` : text);

/** The notes of what leaves, in reading order, as guests are shown them who may answer. */
export const notesForGuests = ({
  document,
  names,
}: Pick<Part, 'document' | 'names'>): SharedNote[] =>
  listNotes(document)
    .slice(0, MOST_SHARED_NOTES)
    .map(({ thread, about }) => ({
      id: thread.id,
      page: about ? names[about.page] : '',
      quote: cut(thread.was ?? about?.words.text ?? ''),
      isSettled: thread.settled !== null,
      said: thread.remarks.map(({ author, madeAt, text, ink }) => ({
        author,
        madeAt,
        text,
        isWritten: ink !== undefined,
      })),
    }));
