import type { Vec } from '@marginalis/core/geometry';
import type { Reader } from './feature';

/** Where something is to be put: a page, from 0, and the place of its middle, in user space; the middle of the page without. */
export interface Spot {
  readonly index: number;
  readonly at: Vec | null;
}

/** The page in the middle of the window and the place there; the current page when none is. */
export function spotInSight({ stage }: Pick<Reader, 'stage'>): Spot {
  const { width, height } = stage.getView();
  const hit = stage.pageAt({ x: width / 2, y: height / 2 });
  return hit ? { index: hit.index, at: hit.user } : { index: stage.getSight().current, at: null };
}
