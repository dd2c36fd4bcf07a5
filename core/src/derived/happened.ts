import type { DocState } from '../document/index.ts';
import { asNote } from '../kinds/index.ts';
import { type ListedMark, listMarks } from './markList.ts';
import { type ListedNote, listNotes } from './notes.ts';

/** Something that somebody did in a document, and when, as far as it can still be seen in it. */
export type Happened = {
  /** Milliseconds since 1970. */
  readonly at: number;
  /** Nobody when empty. */
  readonly who: string;
} & (
  | { readonly did: 'note' | 'answer' | 'reword' | 'settle'; readonly note: ListedNote }
  /** Marks one after another on one page. */
  | { readonly did: 'mark'; readonly marks: readonly ListedMark[] }
);

/** Marks by one hand on one page with no longer between them are told as one, ms. */
const TOGETHER = 10 * 60_000;

/** What happened in a document, the last first. Notes are told remark by remark; the sign of a note is not told beside it. */
export function happenedIn(state: DocState): readonly Happened[] {
  const all = [...listNotes(state).flatMap(ofNote), ...ofMarks(listMarks(state))];
  return all.sort((a, b) => b.at - a.at);
}

function ofNote(note: ListedNote): Happened[] {
  const { remarks, settled } = note.thread;
  return [
    ...remarks.flatMap(({ author: who, madeAt, editedAt }, k): Happened[] => [
      { at: madeAt, who, did: k === 0 ? 'note' : 'answer', note },
      ...(editedAt === null ? [] : [{ at: editedAt, who, did: 'reword', note } as const]),
    ]),
    ...(settled ? [{ at: settled.at, who: settled.by, did: 'settle', note } as const] : []),
  ];
}

function ofMarks(rows: readonly ListedMark[]): Happened[] {
  const made = rows
    .filter(({ mark }) => !asNote(mark))
    .sort((a, b) => a.mark.madeAt - b.mark.madeAt);
  /** What somebody was doing last on a page. */
  const going = new Map<string, { at: number; who: string; did: 'mark'; marks: ListedMark[] }>();
  const all: Happened[] = [];
  for (const row of made) {
    const { madeAt: at, author: who = '' } = row.mark;
    const where = `${row.page} ${who}`;
    const last = going.get(where);
    if (last && at - last.at <= TOGETHER) {
      last.marks.push(row);
      last.at = at;
      continue;
    }
    const next = { at, who, did: 'mark' as const, marks: [row] };
    going.set(where, next);
    all.push(next);
  }
  return all;
}
