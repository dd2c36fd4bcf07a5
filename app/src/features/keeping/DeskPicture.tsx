import { type DocState, marksOn, type Page } from '@marginalis/core/document';
import { useEffect } from 'react';
import { mutate } from 'swr';
import { changeDocument, DESK_KEY, passwordOf } from '@/session';
import { useReader } from '@/shell';
import { pictureOfPage } from '@/stage';
import type { DeskDocument } from '@/storage';

/**
 * The picture on the desk is made anew when nothing has changed for so long, ms: longer than a writer thinks between two
 * words, since a full page's picture takes time from the pen. On leaving it is made at once.
 */
const RESTED = 10_000;
const WIDTH = 280;

/** What the desk shows: the first page and its marks, and how many there are. */
const shownBy = ({ pages, marks }: DocState) =>
  [pages[0], marks.get(pages[0]?.id), pages.length] as const;

/** The picture made when the document came, where the page is still its first one as it came. */
async function pictureAsCame(
  { source, picture }: DeskDocument,
  { shows, turn, crop }: Page,
): Promise<HTMLImageElement | undefined> {
  const isFirst = 'source' in shows && shows.source === source && shows.index === 0;
  if (!picture || !isFirst || turn !== 0 || crop) return undefined;
  const image = new Image();
  image.src = picture;
  await image.decode();
  return image;
}

/** Keeps what the desk shows: the picture of the first page with its marks, and how many pages there are. */
export function DeskPicture() {
  const { session, pictures } = useReader();
  useEffect(() => {
    const { id, locked } = session.desk;
    let resting: ReturnType<typeof setTimeout> | undefined;
    let renewed: Promise<void> | undefined;
    const make = async (): Promise<void> => {
      const { document } = session.store.getState();
      const [page] = document.pages;
      if (!page) return;
      const marks = marksOn(document, page.id);
      const count = document.pages.length;
      // A picture of a locked page would show what the lock hides.
      if (locked || passwordOf(page) !== undefined) return changeDocument(id, { count });
      const print = await pictureAsCame(session.desk, page);
      const marked = await pictureOfPage(page, marks, pictures, WIDTH, { print });
      await changeDocument(id, marked ? { marked, count } : { count });
    };
    const renew = (): void => {
      resting = undefined;
      // The picture is all that is lost when storage refuses: that it does is said of the marks.
      renewed = make().catch((e: unknown) =>
        console.warn('The picture on the desk was not renewed.', e),
      );
    };
    const isWriting = (): boolean =>
      session.strokeInHand.isBusy || session.store.getState().draft !== null;
    const renewRested = (): void => {
      if (isWriting()) resting = setTimeout(renewRested, RESTED);
      else renew();
    };
    const unsubscribe = session.store.subscribe((now, before) => {
      if (now.phase !== 'open' || before.phase !== 'open') return;
      const [a, b] = [shownBy(now.document), shownBy(before.document)];
      if (a.every((one, k) => one === b[k])) return;
      clearTimeout(resting);
      resting = setTimeout(renewRested, RESTED);
    });
    return () => {
      unsubscribe();
      clearTimeout(resting);
      if (resting) renew();
      // The desk may lie beneath this screen: it need not be drawn before it is seen.
      void renewed?.then(() => mutate(DESK_KEY));
    };
  }, [session, pictures]);
  return null;
}
