import type { ListedNote } from './notes.ts';
import { notesSaying } from './notesSaying.ts';

/** Which notes are asked for; what is left out does not narrow them. */
export interface NoteFilter {
  readonly settled?: boolean;
  /** Whether something is to be done. */
  readonly task?: boolean;
  /** A label it carries, by id. */
  readonly tag?: string;
  /** Who wrote one of its remarks; nobody when empty. */
  readonly author?: string;
  /** Of what it is about. */
  readonly colour?: string;
  /** Pages from 0, both included; a note without a place is on none. */
  readonly from?: number;
  readonly to?: number;
  /** In its remarks; case and accents folded. */
  readonly text?: string;
}

/** The notes that fit a filter, in their order. */
export function filterNotes(
  notes: readonly ListedNote[],
  { settled, task, tag, author, colour, from, to, text = '' }: NoteFilter,
): readonly ListedNote[] {
  const isOnPages = ({ about }: ListedNote): boolean =>
    (from === undefined && to === undefined) ||
    (about !== null && about.page >= (from ?? 0) && about.page <= (to ?? Infinity));
  const fitting = notes.filter(
    (note) =>
      (settled === undefined || (note.thread.settled !== null) === settled) &&
      (task === undefined || (note.thread.task !== undefined) === task) &&
      (tag === undefined || note.thread.tags.includes(tag)) &&
      (author === undefined || note.thread.remarks.some((remark) => remark.author === author)) &&
      (colour === undefined || note.about?.mark.style.colour === colour) &&
      isOnPages(note),
  );
  return text.trim() === '' ? fitting : notesSaying(fitting, text).map(({ note }) => note);
}
