export { type NamedPages, pageRanges } from './pageRanges.ts';
export { markedPages, partOf } from './partOf.ts';
export { type Split, splitByOutline, splitEvery } from './splits.ts';
export { withoutNotes } from './withoutNotes.ts';
export { type NoteRecord, noteRecords, type SaidRecord } from './noteRecords.ts';
export { type MarkdownOf, notesMarkdown } from './notesMarkdown.ts';
export { notesTable } from './notesTable.ts';
export { type Region, regionBetween, regionCarried } from './region.ts';
export { saysAuthors, withoutAuthors } from './withoutAuthors.ts';
