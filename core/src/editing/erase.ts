import { isTouched, marksMeeting } from '../derived/index.ts';
import {
  type DocState,
  findMark,
  marksOn,
  type Transaction,
  markChange,
} from '../document/index.ts';
import { boxOfPoints, growBox, type Vec } from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';

/** The marks of a page that an eraser of `radius` points swept along `sweep` touches. */
export function marksTouched(
  state: DocState,
  page: PageId,
  sweep: readonly Vec[],
  radius: number,
): MarkId[] {
  return marksMeeting(marksOn(state, page), growBox(boxOfPoints(sweep), radius))
    .filter((mark) => isTouched(mark, sweep, radius))
    .map(({ id }) => id);
}

/** Takes whole marks off the page; null when none of the ids is there. */
export function removeMarks(state: DocState, ids: Iterable<MarkId>): Transaction | null {
  const marks = [...new Set(ids)]
    .map((id) => findMark(state, id))
    .filter((mark): mark is Mark => mark !== null && !mark.locked);
  if (marks.length === 0) return null;
  return {
    label: marks.length === 1 ? 'Rub out' : `Rub out ${marks.length} marks`,
    changes: marks.map((mark) => markChange(mark, null)),
  };
}

/** Takes all marks off a page but for those that are locked, and notes; null when there are none. */
export function clearPage(state: DocState, page: PageId): Transaction | null {
  const marks = [...marksOn(state, page).values()].filter(
    (mark) => !mark.locked && !kindFor(mark).unrubbed,
  );
  if (marks.length === 0) return null;
  return {
    label: 'Clear the page',
    changes: marks.map((mark) => markChange(mark, null)),
  };
}
