import { type DocState, marksOn } from '@marginalis/core/document';
import { useEffect } from 'react';
import { changeDocument } from '@/session';
import { useReader } from '@/shell';
import { pictureOfPage } from '@/stage';

/** The picture on the desk is made anew when nothing has changed for so long, ms. */
const RESTED = 2_500;
const WIDTH = 280;

/** What the picture shows: the first page and its marks. */
const shownBy = ({ pages, marks }: DocState) => [pages[0], marks.get(pages[0]?.id)] as const;

/** Keeps the picture of the first page that the desk shows, with its marks. */
export function DeskPicture() {
  const { session, pictures } = useReader();
  useEffect(() => {
    const { id, locked } = session.desk;
    // A picture of a locked page would show what the lock hides.
    if (locked) return undefined;
    let resting: ReturnType<typeof setTimeout> | undefined;
    const make = async (): Promise<void> => {
      resting = undefined;
      const { document } = session.store.getState();
      const [page] = document.pages;
      if (!page) return;
      const marks = marksOn(document, page.id);
      const marked = await pictureOfPage(page, marks, pictures, WIDTH);
      if (marked) await changeDocument(id, { marked });
    };
    // The picture is all that is lost when the page cannot be drawn, or storage refuses: that it does is said of the marks.
    const makeNow = (): void => void make().catch(() => undefined);
    const unsubscribe = session.store.subscribe((now, before) => {
      if (now.phase !== 'open' || before.phase !== 'open') return;
      const [a, b] = [shownBy(now.document), shownBy(before.document)];
      if (a[0] === b[0] && a[1] === b[1]) return;
      clearTimeout(resting);
      resting = setTimeout(makeNow, RESTED);
    });
    return () => {
      unsubscribe();
      if (!resting) return;
      clearTimeout(resting);
      makeNow();
    };
  }, [session, pictures]);
  return null;
}
