import { changedPlaces } from '@marginalis/core/derived';
import type { Page, Transaction } from '@marginalis/core/document';
import type { StageController } from '@/stage';

/**
 * Shows where a step changed something, unless some of it is in sight. `before` are the pages as they were: of a page
 * that is gone one sees where it stood.
 */
export function leadTo(
  stage: StageController,
  before: readonly Page[],
  transaction: Transaction,
): void {
  const places = [...changedPlaces(transaction)].map(([id, area]) => {
    const index = stage.indexOf(id);
    if (index >= 0) return { index, area };
    const stood = before.findIndex((page) => page.id === id);
    return { index: Math.min(stood, stage.pages.length - 1), area: null };
  });
  const seen = places.some(({ index, area }) => stage.shows(index, area));
  const [first] = places.filter(({ index }) => index >= 0);
  if (first && !seen) stage.bringInSight(first.index, first.area);
}
