import type { Drawing } from '../../drawing/index.ts';
import type { PageBox } from '../../geometry/index.ts';
import type { CopyFonts } from '../copyFonts.ts';
import { type Beside, setBeside } from './besideNotes.ts';
import { type CopyNote, saidIn } from './copyNote.ts';
import { drawSigns } from './drawSigns.ts';
import { setNotes } from './setNotes.ts';

/** Notes made ready for a copy: their numbers on its pages, and pages of their own at its end. */
export interface NotesInCopy {
  /** What is drawn on a page of the document, from 0. */
  signsOn(page: number, box: PageBox): Drawing;
  /** The notes of a page of the document, from 0, in a margin beside it; null where it has none. */
  beside(page: number, box: PageBox): Beside | null;
  /** What is drawn on pages at its end, which have the size of a sheet, for some of the notes. */
  pages(size: SheetSize, some: readonly CopyNote[]): Drawing[];
}

export interface SheetSize {
  readonly width: number;
  readonly height: number;
}

/** Loads the faces that notes need. @throws NoTypesetter; what loading a face rejects with */
export async function readyNotes(
  notes: readonly CopyNote[],
  fonts: CopyFonts,
): Promise<NotesInCopy> {
  const { typesetter } = fonts;
  const said = notes.map(saidIn).join('\n');
  await fonts.load(['sans-bold']);
  await fonts.loadFor(said, 'sans');
  const on = (page: number): CopyNote[] => notes.filter(({ place }) => place?.page === page);
  return {
    signsOn: (page, box) => drawSigns(on(page), box, fonts, typesetter),
    beside(page, box) {
      const some = on(page);
      return some.length === 0 ? null : setBeside(some, box, fonts, typesetter);
    },
    pages: (size, some) => setNotes(some, size, fonts, typesetter),
  };
}
