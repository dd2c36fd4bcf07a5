import { displayMatrix, transform } from '@marginalis/core/geometry';
import type { SearchHit } from '@/session';
import type { Reader } from '@/shell';

/** A hit is not to stand nearer to the head or foot of the window than this, CSS pixels: the strip with its number stands there. */
const EDGE = 64;

/** Shows where a hit stands, unless it is well in sight. */
export function goToHit({ stage }: Pick<Reader, 'stage'>, hit: SearchHit | null): void {
  const index = hit ? stage.indexOf(hit.page) : -1;
  if (!hit || index < 0) return;
  if (stage.isInSight(index, hit.at, EDGE)) return;
  stage.showPlace(index, transform(displayMatrix(stage.pages[index]), hit.at));
}
