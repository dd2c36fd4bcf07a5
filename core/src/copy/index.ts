export { CopyFonts, NoTypesetter, type TextFiles, type TextSetter } from './copyFonts.ts';
export type { CopyNote } from './copyNote.ts';
export type { Beside } from './besideNotes.ts';
export { type NotesAt, type NotesInCopy, notesInCopy, type SheetSize } from './notesInCopy.ts';
