import type { NoteAbout } from '@marginalis/core/editing';
import type { DocumentSession } from '@/session';
import type { Reader } from '@/shell';
import { createStore } from 'zustand/vanilla';
import { NOTES } from './ids';

/** A note that is begun, and not kept yet. */
export interface BegunNote {
  readonly session: DocumentSession;
  readonly about: NoteAbout;
  /** What it is about, in words; empty for a place. */
  readonly quote: string;
  readonly text: string;
}

interface NotesHeld {
  readonly begun: BegunNote | null;
  /** The note whose card is to be seen. */
  readonly chosen: string | null;
}

export const notesHeld = createStore<NotesHeld>(() => ({ begun: null, chosen: null }));

/** Has the card of a note be seen. */
export function showNote({ shell }: Reader, id: string): void {
  notesHeld.setState({ chosen: id });
  shell.openPanel('margin', NOTES);
}
