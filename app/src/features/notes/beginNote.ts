import { listMarks } from '@marginalis/core/derived';
import type { NoteAbout } from '@marginalis/core/editing';
import { textOf } from '@marginalis/core/print';
import type { Reader } from '@/shell';
import { NOTES } from './ids';
import { notesHeld, showNote } from './notesHeld';

/** Begins a note on the words that are selected, on what is picked, or on a place that is tapped next. What is noted on already leads to its card. */
export function beginNote(reader: Reader): void {
  const { session } = reader;
  const [words] = session.words.store.getState().parts;
  if (words) {
    const { page, print, range } = words;
    session.words.choose([]);
    return begin(reader, { page, print, range }, textOf(print, range));
  }
  const { document, picked } = session.store.getState();
  const row = listMarks(document).find(({ mark }) => picked.has(mark.id));
  if (row) {
    session.inHand.pick([]);
    const there = [...document.threads.values()].find(({ mark }) => mark === row.mark.id);
    if (there) return showNote(reader, there.id);
    return begin(reader, { mark: row.mark.id }, row.words.text || row.words.name);
  }
  session.hand.await({
    text: 'Tap the place that the note is about.',
    act(page, { clientX, clientY }) {
      const { stage } = reader;
      const index = Number(page.getAttribute('data-page')) - 1;
      const id = stage.pages[index]?.id;
      if (!id) return;
      stage.locate();
      const at = stage.toUser(index, stage.fromClient(clientX, clientY));
      begin(reader, { page: id, at }, '');
    },
  });
}

function begin({ session, shell }: Reader, about: NoteAbout, quote: string): void {
  const { begun } = notesHeld.getState();
  // What has been typed already is not lost: it is about something else now.
  const text = begun?.session === session ? begun.text : '';
  notesHeld.setState({ begun: { session, about, quote, text }, chosen: null });
  shell.openPanel('margin', NOTES);
}
