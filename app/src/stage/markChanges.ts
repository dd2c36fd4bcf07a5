import { boundsOf } from '@marginalis/core/derived';
import type { PageMarks } from '@marginalis/core/document';
import { type Box, EMPTY_BOX, uniteBoxes } from '@marginalis/core/geometry';
import { isHighlight, type Mark, type MarkId } from '@marginalis/core/marks';

/** What has to be painted when a page's marks change. */
export interface MarkChanges {
  /** Around all that came, went or looks otherwise now, in user space. */
  readonly changed: Box;
  /**
   * When nothing happened but that these came over everything else: what is painted may stay beneath them.
   * Null when that is not so.
   */
  readonly onTop: readonly Mark[] | null;
}

/** How a page's marks as they were painted differ from what they are now; `doomed` ones look faint. */
export function markChanges(
  before: PageMarks,
  after: PageMarks,
  doomedBefore: ReadonlySet<MarkId>,
  doomedAfter: ReadonlySet<MarkId>,
): MarkChanges {
  let changed = EMPTY_BOX;
  let onTop = true;
  let top = -Infinity;
  const came: Mark[] = [];
  for (const [id, mark] of before) {
    top = Math.max(top, mark.order);
    if (after.get(id) === mark && doomedBefore.has(id) === doomedAfter.has(id)) continue;
    changed = uniteBoxes(changed, boundsOf(mark));
    onTop = false;
  }
  for (const [id, mark] of after) {
    if (before.get(id) === mark) continue;
    changed = uniteBoxes(changed, boundsOf(mark));
    onTop &&= mark.order > top && !isHighlight(mark) && !doomedAfter.has(id);
    came.push(mark);
  }
  return { changed, onTop: onTop ? came.sort((a, b) => a.order - b.order) : null };
}
