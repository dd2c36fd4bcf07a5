import { roughBoundsOf } from '@marginalis/core/derived';
import { fromTop, marksOn } from '@marginalis/core/document';
import type { Box } from '@marginalis/core/geometry';
import type { MarkId, PageId } from '@marginalis/core/marks';
import { useMemo } from 'react';
import { useSessionState } from './SessionContext';

/** So many marks are the line being worked on, and the one before. */
const LATELY = 40;

/** The boxes of the marks made last on a page but for some, in user space; `but` is the same object as long as it is the same set. */
export function useLatelyWritten(page: PageId, but: ReadonlySet<MarkId>): readonly Box[] {
  const marks = useSessionState((s) => marksOn(s.document, page));
  return useMemo(() => {
    const boxes: Box[] = [];
    for (const mark of fromTop(marks, Infinity)) {
      if (boxes.length === LATELY) break;
      if (!but.has(mark.id)) boxes.push(roughBoundsOf(mark));
    }
    return boxes;
  }, [marks, but]);
}
