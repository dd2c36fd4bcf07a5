import { listMarks } from '@marginalis/core/derived';
import type { NoteAbout } from '@marginalis/core/editing';
import { textOf } from '@marginalis/core/print';
import type { Reader } from '@/shell';

/**
 * What a note is to be about: the words that are selected, what is picked, or a place that is tapped next, which `ask` asks for. `take` is told that, and what it
 * is in words; nothing for a place.
 */
export function aboutWhat(
  { session, stage }: Reader,
  ask: string,
  take: (about: NoteAbout, quote: string) => void,
): void {
  const [words] = session.words.store.getState().parts;
  if (words) {
    const { page, print, range } = words;
    session.words.choose([]);
    return take({ page, print, range }, textOf(print, range));
  }
  const { document, picked } = session.store.getState();
  const row = listMarks(document).find(({ mark }) => picked.has(mark.id));
  if (row) {
    session.inHand.pick([]);
    return take({ mark: row.mark.id }, row.words.text || row.words.name);
  }
  session.hand.await({
    text: ask,
    act(page, { clientX, clientY }) {
      const index = Number(page.getAttribute('data-page')) - 1;
      const id = stage.pages[index]?.id;
      if (!id) return;
      stage.locate();
      take({ page: id, at: stage.toUser(index, stage.fromClient(clientX, clientY)) }, '');
    },
  });
}
