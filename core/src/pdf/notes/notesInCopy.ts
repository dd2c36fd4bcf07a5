import type { Drawing } from '../../drawing/index.ts';
import type { PageBox } from '../../geometry/index.ts';
import { type Face, type FaceName, facesFor, type Fonts } from '../../type/index.ts';
import { type CopyNote, saidIn, type TextSetter } from './copyNote.ts';
import { drawSigns } from './drawSigns.ts';
import { setNotes } from './setNotes.ts';

/** The notes of a document, and what sets them. */
export interface NotesToCopy {
  readonly notes: readonly CopyNote[];
  readonly typesetter: TextSetter;
}

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

/** Loads the faces that notes need. @throws RangeError when there is no way to load a face; what loading it rejects with */
export async function readyNotes(
  { notes, typesetter }: NotesToCopy,
  load: ((name: FaceName) => Promise<Face>) | undefined,
): Promise<NotesInCopy> {
  if (!load) throw new RangeError('Notes need faces, and those cannot be loaded.');
  const faces = new Map<FaceName, Face>();
  const names = new Set<FaceName>([
    'sans-bold',
    'serif',
    ...facesFor(notes.map(saidIn).join('\n'), 'sans'),
  ]);
  for (const name of names) faces.set(name, await load(name));
  const fonts: Fonts = { face: (name) => faces.get(name) ?? null };
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
