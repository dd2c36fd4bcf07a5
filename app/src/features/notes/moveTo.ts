import type { Thread } from '@marginalis/core/document';
import { moveNote } from '@marginalis/core/editing';
import type { Reader } from '@/shell';
import { aboutWhat } from './aboutWhat';
import { SIGN } from './sign';

/** Moves a note to the words that are selected, to what is picked, or to a place that is tapped next. */
export function moveTo(reader: Reader, thread: Thread): void {
  const { session } = reader;
  aboutWhat(reader, 'Tap the place that the note is to go to.', (about) => {
    const { document } = session.store.getState();
    const now = document.threads.get(thread.id);
    if (now) session.dispatch(moveNote(document, now, about, SIGN));
  });
}
