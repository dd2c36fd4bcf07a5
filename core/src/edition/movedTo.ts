import { boundsOf } from '../derived/index.ts';
import {
  boxCentre,
  moveBy,
  type PageBox,
  subtract,
  thenMatrix,
  turnAbout,
  uniteBoxes,
  type Vec,
} from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import type { PlacedMark } from './placed.ts';

/** A place that somebody has chosen in another edition. */
export interface ChosenPlace {
  /** From 0. */
  readonly page: number;
  /** Where the middle comes to lie, in user space. */
  readonly at: Vec;
}

/**
 * Marks that were carried as one, at a place that somebody chose for them: as large as they are, and as upright.
 * @param marks as they lie by now, in the order of `placed`
 * @param lie how the page lies that they are on by now
 * @param comes how the page lies that they come to
 */
export function movedTo(
  placed: readonly PlacedMark[],
  marks: readonly Mark[],
  { page, at }: ChosenPlace,
  lie: Pick<PageBox, 'rotate'>,
  comes: Pick<PageBox, 'rotate'>,
): PlacedMark[] {
  const middle = boxCentre(marks.map(boundsOf).reduce(uniteBoxes));
  const turn = turnAbout(((comes.rotate - lie.rotate) * Math.PI) / 180, middle);
  const map = thenMatrix(turn, moveBy(subtract(at, middle)));
  return placed.map((one, k) => ({
    ...one,
    ...({ verdict: 'certain', confidence: 1, reason: 'moved', page } as const),
    after: kindFor(marks[k]).carry(marks[k], map, {}),
    map: one.map ? thenMatrix(one.map, map) : map,
  }));
}
