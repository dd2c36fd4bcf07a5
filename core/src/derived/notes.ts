import type { DocState, Thread } from '../document/index.ts';
import {
  boxCentre,
  boxOfPoints,
  displayMatrix,
  invertMatrix,
  type PageBox,
  transform,
  type Vec,
} from '../geometry/index.ts';
import { asNote } from '../kinds/index.ts';
import { type ListedMark, listMarks } from './markList.ts';

/** A note of the document. */
export interface ListedNote {
  readonly thread: Thread;
  /** From 1, in reading order. */
  readonly number: number;
  /** What it is about; null where that is gone from the document. */
  readonly about: ListedMark | null;
}

const lists = new WeakMap<
  DocState['threads'],
  {
    readonly marks: DocState['marks'];
    readonly pages: DocState['pages'];
    readonly list: readonly ListedNote[];
  }
>();

/**
 * All notes in the order of what they are about; those whose mark is gone come last, in order of time. Kept as long as no thread, mark or page
 * changes.
 */
export function listNotes(state: DocState): readonly ListedNote[] {
  const { marks, pages, threads } = state;
  const known = lists.get(threads);
  if (known?.marks === marks && known.pages === pages) return known.list;
  const rows = listMarks(state);
  const orderOf = new Map(rows.map(({ mark }, k) => [mark.id, k]));
  const order = (thread: Thread): number => orderOf.get(thread.mark) ?? rows.length;
  const sorted = [...threads.values()].sort(
    (a, b) => order(a) - order(b) || a.remarks[0].madeAt - b.remarks[0].madeAt,
  );
  const list = sorted.map((thread, k) => ({
    thread,
    number: k + 1,
    about: rows[order(thread)] ?? null,
  }));
  lists.set(threads, { marks, pages, list });
  return list;
}

/** Where the number of a note belongs. */
export interface SignPlace {
  /** In user space. */
  readonly at: Vec;
  /** In the margin at this height, rather than there. */
  readonly inMargin: boolean;
}

/** Of words the middle of where they begin, of other marks their head, of a place that place, of an area its first corner. `page` is the document's own, as it is seen. */
export function signPlace({ mark, box, at }: ListedMark, page: PageBox): SignPlace {
  const note = asNote(mark);
  if (note?.area) return { at: note.at, inMargin: true };
  if (note && note.quads.length === 0) return { at: note.at, inMargin: false };
  if (note) {
    const [first] = note.quads;
    return { at: { x: first[0].x, y: boxCentre(boxOfPoints(first)).y }, inMargin: true };
  }
  const head = { x: at.x, y: box.minY };
  return { at: transform(invertMatrix(displayMatrix(page)), head), inMargin: true };
}
