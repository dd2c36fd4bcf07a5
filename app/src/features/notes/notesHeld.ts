import type { NoteAbout } from '@marginalis/core/editing';
import type { DocumentSession } from '@/session';
import { createStore } from 'zustand/vanilla';

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
