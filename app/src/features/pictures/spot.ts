import type { Vec } from '@marginalis/core/geometry';
import type { Reader } from '@/shell';

/** Where a picture is to go: a page, from 0, and where its middle is to lie; the middle of the page without. */
export interface PictureSpot {
  readonly index: number;
  readonly at: Vec | null;
}

/** The page in the middle of the window and the place there; the current page's middle when none is. */
export function spotInSight({ stage }: Reader): PictureSpot {
  const { width, height } = stage.getView();
  const hit = stage.pageAt({ x: width / 2, y: height / 2 });
  return hit ? { index: hit.index, at: hit.user } : { index: stage.getSight().current, at: null };
}
