import type { Drawing } from '../../drawing/index.ts';
import type { PageBox } from '../../geometry/index.ts';
import type { CopyFonts } from '../copyFonts.ts';
import { type CopyNote, saidIn } from './copyNote.ts';
import { drawSigns } from './drawSigns.ts';
import { setNotes } from './setNotes.ts';

/** Notes made ready for a copy: their numbers on its pages, and pages of their own at its end. */
export interface NotesInCopy {
  /** What is drawn on a page of the document, from 0. */
  signsOn(page: number, box: PageBox): Drawing;
  /** What is drawn on pages at its end, which have the size of a sheet. */
  pages(size: SheetSize): Drawing[];
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
  return {
    signsOn: (page, box) =>
      drawSigns(
        notes.filter(({ place }) => place?.page === page),
        box,
        fonts,
        typesetter,
      ),
    pages: (size) => setNotes(notes, size, fonts, typesetter),
  };
}
