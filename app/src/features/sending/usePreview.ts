import type { CopyNote } from '@marginalis/core/copy';
import { partOf } from '@marginalis/core/leaving';
import type { Raster } from '@marginalis/core/pdfium';
import { useEffect, useMemo, useState } from 'react';
import { useSession } from '@/session';
import { startWork, type Work } from '@/work';
import { askOfCopy, notesAtOf } from './askOfCopy';
import { notesFor } from './notesFor';
import type { CopyOfPart } from './copyOfPart';

/** Pixels, so that a page can be read when it is shown large. */
const WIDTH = 900;
/** What is asked for rests so long before another preview is made, ms. */
const RESTED = 200;

export interface Preview {
  /** Null while it is made, or where it cannot be. */
  readonly picture: Raster | null;
  /** Why there is none, in words. */
  readonly trouble: string | null;
}
const NONE: Preview = { picture: null, trouble: null };

/** A page of a copy, from 0, as it will leave: made and drawn as the copy will be, that page alone. */
export function usePreview(
  { part, notes }: Pick<CopyOfPart, 'part' | 'notes'>,
  index: number,
): Preview {
  const session = useSession();
  const [made, setMade] = useState<{ of: object; preview: Preview } | null>(null);
  /** What the preview is of: a picture of another page is none. */
  const of = useMemo(() => ({ part, notes, index }), [part, notes, index]);
  useEffect(() => {
    let isWanted = true;
    let work: Pick<Work<unknown>, 'stop'> | null = null;
    const show = (next: Preview): void => {
      if (isWanted) setMade({ of, preview: next });
    };
    const run = async (): Promise<void> => {
      const page = {
        document: partOf(of.part.document, [of.index]),
        names: [of.part.names[of.index]],
      };
      const asked = await askOfCopy(session, { part: page, notes: 'none', as: 'fixed' });
      if (!isWanted) return;
      if (!asked.ok) return show({ ...NONE, trouble: asked.message });
      const copying = startWork('fixedCopy', {
        ...asked.ask,
        notes: of.notes === 'none' ? [] : notesOn(of.part, of.index),
        notesAt: notesAtOf(of.notes),
      });
      work = copying;
      const copy = await copying.result;
      if (!isWanted) return;
      if (!copy.ok) return show({ ...NONE, trouble: messageOf(copy.failure) });
      const { area = null, document } = of.part;
      const { userUnit } = document.pages[of.index];
      const drawing = startWork('pagePicture', {
        ...{ bytes: copy.value.bytes, page: 0, width: WIDTH, area, userUnit },
      });
      work = drawing;
      const picture = await drawing.result;
      show(
        picture.ok
          ? { picture: picture.value, trouble: null }
          : { ...NONE, trouble: messageOf(picture.failure) },
      );
    };
    const waiting = setTimeout(() => {
      run().catch((e: unknown) => show({ ...NONE, trouble: String(e) }));
    }, RESTED);
    return () => {
      isWanted = false;
      clearTimeout(waiting);
      work?.stop();
    };
  }, [session, of]);
  return made?.of === of ? made.preview : NONE;
}

/** Its notes, numbered as among all of them. */
const notesOn = ({ document, names }: CopyOfPart['part'], index: number): CopyNote[] =>
  notesFor(document, (page) => names[page]).flatMap((note) =>
    note.place?.page === index ? [{ ...note, place: { ...note.place, page: 0 } }] : [],
  );

const messageOf = (failure: { readonly kind: string; readonly message?: string }): string =>
  failure.message ?? 'It was stopped.';
