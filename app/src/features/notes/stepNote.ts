import { listNotes } from '@marginalis/core/derived';
import { goToMark, type Reader } from '@/shell';
import { NOTES } from './ids';
import { notesHeld, shownNotes } from './notesHeld';

/** Goes to the note after the chosen one, or before it; from none to the first that is in sight or comes after. */
export function stepNote(reader: Reader, by: 1 | -1): void {
  const { session, shell, stage } = reader;
  const notes = shownNotes(listNotes(session.store.getState().document));
  if (notes.length === 0) return session.notices.tell('There is no note to go to.');
  const { chosen } = notesHeld.getState();
  const at = notes.findIndex(({ thread }) => thread.id === chosen);
  const { current } = stage.getSight();
  const here = notes.findIndex(({ about }) => (about?.page ?? Infinity) >= current);
  const next = at >= 0 ? at + by : by === 1 ? here : (here < 0 ? notes.length : here) - 1;
  const note = notes[(next + notes.length) % notes.length];
  notesHeld.setState({ chosen: note.thread.id });
  shell.openPanel('margin', NOTES);
  if (note.about) goToMark(reader, note.about);
}
