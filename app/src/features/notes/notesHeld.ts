import { filterNotes, type ListedNote, type NoteFilter } from '@marginalis/core/derived';
import type { NoteAbout } from '@marginalis/core/editing';
import type { DocumentSession } from '@/session';
import type { Reader } from '@/shell';
import { createStore } from 'zustand/vanilla';
import { NOTES } from './ids';
import type { Said } from './NoteField';

/** A note that is begun, and not kept yet. */
export interface BegunNote {
  readonly session: DocumentSession;
  readonly about: NoteAbout;
  /** What it is about, in words; empty for a place. */
  readonly quote: string;
  readonly said: Said;
}

interface NotesHeld {
  readonly begun: BegunNote | null;
  /** The note whose card is to be seen. */
  readonly chosen: string | null;
  /** The note whose card and place are lit, because the pointer is over one of them. */
  readonly lit: string | null;
  /** Beside the page, each at the height of its place; or all of them as a list. */
  readonly asList: boolean;
  /** Which notes are shown. */
  readonly filter: NoteFilter;
}

export const notesHeld = createStore<NotesHeld>(() => ({
  begun: null,
  chosen: null,
  lit: null,
  asList: false,
  filter: {},
}));

/** Of all notes those that are shown. */
export const shownNotes = (notes: readonly ListedNote[]): readonly ListedNote[] =>
  filterNotes(notes, notesHeld.getState().filter);

/** Lights a note, or no longer. */
export const light = (id: string, on: boolean): void => {
  const { lit } = notesHeld.getState();
  if (on) notesHeld.setState({ lit: id });
  else if (lit === id) notesHeld.setState({ lit: null });
};

/** Has the card of a note be seen. */
export function showNote({ shell }: Reader, id: string): void {
  notesHeld.setState({ chosen: id });
  shell.openPanel('margin', NOTES);
}
