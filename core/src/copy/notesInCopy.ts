import type { Drawing } from '../drawing/index.ts';
import { displaySize, type PageBox } from '../geometry/index.ts';
import { type Beside, setBeside } from './besideNotes.ts';
import type { CopyFonts } from './copyFonts.ts';
import { type CopyNote, saidIn } from './copyNote.ts';
import { drawSigns } from './drawSigns.ts';
import { setNotes } from './setNotes.ts';

/** Where the notes of a copy stand; those that have no room beside their page, or no place, stand at the end. */
export type NotesAt = 'beside' | 'end';

/** What a copy shows of its notes. */
export interface NotesInCopy {
  /** Their numbers on each page of the document, and the notes beside it; null beside pages without any. */
  readonly pages: readonly { readonly signs: Drawing; readonly beside: Beside | null }[];
  /** Pages of notes at the end. */
  readonly last: { readonly size: SheetSize; readonly pages: readonly Drawing[] };
}

export interface SheetSize {
  readonly width: number;
  readonly height: number;
}

/** Pages of notes are as large as the document's first page where that is a sheet, points; else A4. */
const A4: SheetSize = { width: 595, height: 842 };
const LEAST = 350;
const MOST = 1200;

/**
 * Loads the faces that notes need, and sets them for a document with these pages.
 * @throws NoTypesetter; what loading a face rejects with
 */
export async function notesInCopy(
  notes: readonly CopyNote[],
  at: NotesAt,
  boxes: readonly PageBox[],
  fonts: CopyFonts,
): Promise<NotesInCopy> {
  const size = sheetLike(boxes[0]);
  if (notes.length === 0)
    return { pages: boxes.map(() => ({ signs: [], beside: null })), last: { size, pages: [] } };
  const { typesetter } = fonts;
  await fonts.load(['sans-bold']);
  await fonts.loadFor(notes.map(saidIn).join('\n'), 'sans');
  const pages = boxes.map((box, index) => {
    const own = notes.filter(({ place }) => place?.page === index);
    const isBeside = at === 'beside' && own.length > 0;
    return {
      signs: drawSigns(own, box, fonts, typesetter),
      beside: isBeside ? setBeside(own, box, fonts, typesetter) : null,
    };
  });
  const placeless = notes.filter(({ place }) => !place || boxes[place.page] === undefined);
  const last =
    at === 'end' ? notes : [...placeless, ...pages.flatMap(({ beside }) => beside?.left ?? [])];
  return {
    pages,
    last: { size, pages: last.length === 0 ? [] : setNotes(last, size, fonts, typesetter) },
  };
}

function sheetLike(first: PageBox | undefined): SheetSize {
  if (!first) return A4;
  const { width, height } = displaySize(first);
  const isSheet = Math.min(width, height) > LEAST && Math.max(width, height) < MOST;
  return isSheet ? { width, height } : A4;
}
