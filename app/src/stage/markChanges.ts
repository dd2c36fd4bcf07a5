import { boundsOf, changedBox, liesBeneath } from '@marginalis/core/derived';
import { changedSince, type PageMarks, topOrder } from '@marginalis/core/document';
import { type Box, EMPTY_BOX, uniteBoxes } from '@marginalis/core/geometry';
import { kindFor, type Mark } from '@marginalis/core/kinds';
import type { MarkId } from '@marginalis/core/marks';

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
  const top = topOrder(before);
  const came: Mark[] = [];
  for (const id of mayDiffer(before, after, doomedBefore, doomedAfter)) {
    const [was, is] = [before.get(id), after.get(id)];
    if (was === is && doomedBefore.has(id) === doomedAfter.has(id)) continue;
    // Fainter or not, all of it looks otherwise.
    const isFaded = doomedBefore.has(id) !== doomedAfter.has(id);
    if (was) {
      changed = uniteBoxes(changed, is && !isFaded ? changedBox(was, is) : boundsOf(was));
      onTop = false;
    }
    if (!is) continue;
    if (!was || isFaded) changed = uniteBoxes(changed, boundsOf(is));
    onTop &&= is.order > top && !liesBeneath(is) && !doomedAfter.has(id);
    came.push(is);
  }
  // What lies above all others would be painted over.
  onTop &&= ![...before.values()].some((mark) => kindFor(mark).topmost);
  return { changed, onTop: onTop ? came.sort((a, b) => a.order - b.order) : null };
}

/** Few marks where both pages share a base; all of them otherwise. */
function mayDiffer(
  before: PageMarks,
  after: PageMarks,
  doomedBefore: ReadonlySet<MarkId>,
  doomedAfter: ReadonlySet<MarkId>,
): Iterable<MarkId> {
  const changed = changedSince(before, after);
  if (!changed) return new Set([...before.keys(), ...after.keys()]);
  return new Set([
    ...changed,
    ...(doomedBefore === doomedAfter ? [] : [...doomedBefore, ...doomedAfter]),
  ]);
}
