import type { DocState } from '../document/index.ts';
import type { Form } from '../fields/index.ts';
import type { PageBox } from '../geometry/index.ts';
import type { Print } from '../print/index.ts';
import { fatesByPicture, type SeenPage } from './byPicture.ts';
import { type CarriedOver, carryOver } from './carryOver.ts';
import { type EditionPage, EditionText } from './editionText.ts';
import { inkPictureOf } from './inkPicture.ts';

/** The file of an edition, as it is read. */
export interface EditionFile {
  readonly pages: readonly PageBox[];
  /** None where it has none. */
  readonly form?: Form;
  /** What is printed on a page, from 0. */
  print(page: number): Print;
  /** A page as it is seen, four bytes a pixel, about {@link PICTURE_WIDTH} pixels wide; null where it cannot be drawn. */
  picture(page: number): {
    readonly width: number;
    readonly height: number;
    readonly data: Uint8Array | Uint8ClampedArray;
  } | null;
}

/** Pixels across that pages are compared with. */
export const PICTURE_WIDTH = 480;

/**
 * Reads two editions of a document and finds where its marks belong in the second. Pages that their words do not tell are compared as they look.
 * @param source what the pages of the document are called that show the first edition
 * @param onProgress pages read and compared so far, of all
 */
export function compareEditions(
  document: DocState,
  source: string,
  was: EditionFile,
  is: EditionFile,
  onProgress: (done: number, all: number) => void = () => undefined,
): CarriedOver {
  const all = was.pages.length + is.pages.length;
  let done = 0;
  const read = (file: EditionFile): EditionPage[] =>
    file.pages.map((page, k) => {
      const print = file.print(k);
      onProgress((done += 1), 2 * all);
      return { ...page, print };
    });
  const [before, after] = [read(was), read(is)];
  const text = new EditionText(before, after);
  const known = new Set(text.fates.flatMap(({ to }, k) => (text.hasWords(k) ? [to] : [])));
  const unknown = before.flatMap((_, k) =>
    text.hasWords(k) && text.fates[k].to !== null ? [] : [k],
  );
  const free = after.flatMap((_, k) => (known.has(k) ? [] : [k]));
  const isNeeded = unknown.length > 0 && free.length > 0;
  const byPicture = isNeeded
    ? fatesByPicture(seen(was, unknown), seen(is, free), (some, of) =>
        onProgress(all + Math.round((all * some) / of), 2 * all),
      )
    : new Map();
  onProgress(2 * all, 2 * all);
  const ids = idsOf(document, source);
  return carryOver(
    {
      document,
      was: before.map((page, k) => ({ ...page, ids: ids.get(k) ?? [] })),
      is: after,
      byPicture,
      ...(is.form ? { form: is.form } : {}),
    },
    text,
  );
}

function seen(file: EditionFile, pages: readonly number[]): SeenPage[] {
  return pages.flatMap((page): SeenPage[] => {
    const picture = file.picture(page);
    return picture ? [{ page, box: file.pages[page], picture: inkPictureOf(picture) }] : [];
  });
}

/** The pages of a document that show each page of a source. */
function idsOf({ pages }: DocState, source: string): Map<number, string[]> {
  const ids = new Map<number, string[]>();
  for (const { id, shows } of pages)
    if ('source' in shows && shows.source === source)
      ids.set(shows.index, [...(ids.get(shows.index) ?? []), id]);
  return ids;
}
