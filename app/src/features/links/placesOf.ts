import { boundsOf } from '@marginalis/core/derived';
import { findMark } from '@marginalis/core/document';
import { boxOfPoints } from '@marginalis/core/geometry';
import { aroundQuad, quadsOf } from '@marginalis/core/print';
import type { ChosenPart, DocumentSession } from '@/session';
import type { LinkPlace } from './asked';

/** A link for the words of each page, over all their lines. */
export const placesOfWords = (parts: readonly ChosenPart[]): LinkPlace[] =>
  parts.flatMap(({ page, print, range }): LinkPlace[] => {
    const quads = quadsOf(print, range);
    if (quads.length === 0) return [];
    const area = boxOfPoints(quads.flatMap(aroundQuad));
    const lines = quads.map((quad) => boxOfPoints(aroundQuad(quad)));
    return [{ page, area, ...(lines.length > 1 ? { parts: lines } : {}) }];
  });

/** A link for each mark that is picked. */
export function placesOfPicked({ store }: DocumentSession): LinkPlace[] {
  const { document, picked } = store.getState();
  return [...picked].flatMap((id): LinkPlace[] => {
    const mark = findMark(document, id);
    return mark ? [{ page: mark.page, area: boundsOf(mark), mark: id }] : [];
  });
}
