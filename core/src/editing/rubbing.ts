import { isTouched, marksMeeting } from '../derived/index.ts';
import { type Change, type DocState, marksOn, type Transaction } from '../document/index.ts';
import { boxOfPoints, growBox, sweepAlong, type Vec } from '../geometry/index.ts';
import { rubMark } from './rubMark.ts';
import {
  type EraserManner,
  isHighlight,
  type Mark,
  type MarkId,
  type PageId,
} from '../marks/index.ts';

/** A rubber going over a page. */
export interface Rubbing {
  /** Goes on along a line, points; what that changes further. */
  along(line: readonly Vec[]): readonly Change[];
  /** What each mark touched so far becomes; null where it goes altogether. */
  readonly becomes: ReadonlyMap<MarkId, Mark | null>;
  /** All of it as one step; null when nothing was touched. */
  done(): Transaction | null;
}

/** Whether a rubber of this manner takes a mark; those that are locked it never takes. */
export function isRubbed(mark: Mark, { only, colour }: EraserManner): boolean {
  if (mark.locked) return false;
  switch (only) {
    case 'everything':
      return true;
    case 'pen':
      return mark.kind === 'ink' && !isHighlight(mark);
    case 'highlighter':
      return isHighlight(mark);
    case 'figures':
      return mark.kind === 'figure';
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
      const more: Change[] = [];
      for (const mark of marksMeeting(marks, growBox(boxOfPoints(line), radius))) {
        const now = becomes.has(mark.id) ? becomes.get(mark.id) : mark;
        if (!now || !isRubbed(now, manner)) continue;
        const next = rubbed(now, line, sweep, manner);
        if (next === now) continue;
        becomes.set(mark.id, next);
        more.push({ id: mark.id, before: now, after: next });
      }
      return more;
    },
    done() {
      if (becomes.size === 0) return null;
      const changes = [...becomes].map(([id, after]): Change => {
        return { id, before: marks.get(id) ?? null, after };
      });
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
  if (takes === 'part') return rubMark(mark, sweep);
  return isTouched(mark, line, sweep.radius) ? null : mark;
}
