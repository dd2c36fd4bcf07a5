import { marksOn } from '@marginalis/core/document';
import { partOf } from '@marginalis/core/leaving';
import { mutate } from 'swr';
import { DESK_KEY, layPages, passwordOf } from '@/session';
import type { Reader } from '@/shell';
import { pictureOfPage } from '@/stage';

/** CSS pixels of the picture on the desk. */
const WIDTH = 280;

/** A part of the document, and what it is to be called. */
export interface Part {
  readonly title: string;
  /** From 0. */
  readonly pages: readonly number[];
}

/** Lays parts of the document on the desk as documents of their own; it stays as it is itself. What hinders it is told. */
export async function takeOut(
  { session, pictures }: Pick<Reader, 'session' | 'pictures'>,
  parts: readonly Part[],
): Promise<void> {
  const { desk, notices } = session;
  for (const { title, pages } of parts) {
    const document = partOf(session.store.getState().document, pages);
    const [first] = document.pages;
    // A picture of a locked page would show what the lock hides.
    const picture =
      desk.locked || passwordOf(first) !== undefined
        ? null
        : await pictureOfPage(first, marksOn(document, first.id), pictures, WIDTH);
    const why = await layPages(desk, title, document, picture, Date.now());
    if (why !== null) return notices.tell(why);
  }
  await mutate(DESK_KEY);
  const [first] = parts;
  notices.tell(
    parts.length === 1
      ? `“${first.title}” lies on the desk as a document of its own.`
      : `${parts.length} documents lie on the desk, from “${first.title}” on.`,
  );
}
