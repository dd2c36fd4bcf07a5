import type { NoteAbout } from '@marginalis/core/editing';
import type { Reader } from '@/shell';
import { aboutWhat } from './aboutWhat';
import { NOTES } from './ids';
import { notesHeld, showNote } from './notesHeld';

/** Begins a note on the words that are selected, on what is picked, or on a place that is tapped next. What is noted on already leads to its card. */
export function beginNote(reader: Reader): void {
  const { threads } = reader.session.store.getState().document;
  aboutWhat(reader, 'Tap the place that the note is about.', (about, quote) => {
    const there = 'mark' in about && [...threads.values()].find(({ mark }) => mark === about.mark);
    if (there) return showNote(reader, there.id);
    return begin(reader, about, quote);
  });
}

/** Begins a note about something; `quote` is what that is in words, nothing for a place. */
export function begin({ session, shell }: Reader, about: NoteAbout, quote: string): void {
  const { begun } = notesHeld.getState();
  // What has been typed already is not lost: it is about something else now.
  const said = begun?.session === session ? begun.said : { text: '', ink: [] };
  notesHeld.setState({ begun: { session, about, quote, said }, chosen: null });
  shell.openPanel('margin', NOTES);
}
