import { areaTouched, isTouched, marksMeeting } from '../derived/index.ts';
import {
  type DocState,
  marksOn,
  type Transaction,
  type MarkChange,
  markChange,
} from '../document/index.ts';
import { boxOfPoints, growBox, sweepAlong, type Vec } from '../geometry/index.ts';
import { rubMark } from './rubMark.ts';
import { type Mark, kindFor } from '../kinds/index.ts';
import { type EraserManner, type MarkId, type PageId } from '../marks/index.ts';

/** A rubber going over a page. */
export interface Rubbing {
  /** Goes on along a line, points; what that changes further. */
  along(line: readonly Vec[]): readonly MarkChange[];
  /** What each mark touched so far becomes; null where it goes altogether. */
  readonly becomes: ReadonlyMap<MarkId, Mark | null>;
  /** All of it as one step; null when nothing was touched. */
  done(): Transaction | null;
}

const sortOf = (mark: Mark): string => kindFor(mark).words(mark).sort;

/** Whether a rubber of this manner takes a mark; those that are locked, and notes, it never takes. */
export function isRubbed(mark: Mark, { only, colour }: EraserManner): boolean {
  if (mark.locked || kindFor(mark).unrubbed) return false;
  switch (only) {
    case 'everything':
      return true;
    case 'pen':
      return sortOf(mark) === 'ink';
    case 'highlighter':
      return sortOf(mark) === 'highlight' || sortOf(mark) === 'text-highlight';
    case 'figures':
      return sortOf(mark) === 'figure';
    case 'ink':
      return mark.style.colour === colour;
  }
}

/** Begins to rub with a round rubber of `radius` points on a page. */
export function startRubbing(
  state: DocState,
  page: PageId,
  radius: number,
  manner: EraserManner,
): Rubbing {
  const marks = marksOn(state, page);
  const becomes = new Map<MarkId, Mark | null>();
  return {
    becomes,
    along(line) {
      const sweep = sweepAlong(line, radius);
      const more: MarkChange[] = [];
      for (const mark of marksMeeting(marks, growBox(boxOfPoints(line), radius))) {
        const now = becomes.has(mark.id) ? becomes.get(mark.id) : mark;
        if (!now || !isRubbed(now, manner)) continue;
        const next = rubbed(now, line, sweep, manner);
        if (next === now) continue;
        becomes.set(mark.id, next);
        more.push(markChange(now, next));
      }
      return more;
    },
    done() {
      if (becomes.size === 0) return null;
      const changes = [...becomes].map(([id, after]) => markChange(marks.get(id) ?? null, after));
      const gone = changes.every(({ after }) => after === null);
      const what = changes.length === 1 ? '' : ` ${changes.length} marks`;
      return { label: gone ? `Rub out${what}` : `Rub out part of${what || ' a mark'}`, changes };
    },
  };
}

function rubbed(
  mark: Mark,
  line: readonly Vec[],
  sweep: ReturnType<typeof sweepAlong>,
  { takes }: EraserManner,
): Mark | null {
  // What is neither drawn along lines nor made of pieces cannot be cut.
  const kind = kindFor(mark);
  if (takes === 'part' && kind.lines) return rubMark(mark, sweep);
  if (takes === 'part' && kind.rub)
    return kind.rub(mark, (area) => areaTouched(area, line, sweep.radius));
  return isTouched(mark, line, sweep.radius) ? null : mark;
}
