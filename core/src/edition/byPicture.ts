import {
  displayMatrix,
  displaySize,
  invertMatrix,
  type Matrix,
  type PageBox,
  thenMatrix,
} from '../geometry/index.ts';
import { CLEAR, liesOn, roughlyAlike } from './comparePictures.ts';
import type { PageFate } from './editionText.ts';
import type { InkPicture } from './inkPicture.ts';
import type { LiesOn } from './pieces.ts';

/** A page, by its number, and how it looks. */
export interface SeenPage {
  readonly page: number;
  readonly box: PageBox;
  readonly picture: InkPicture;
}

/** Pages less alike than this are not the same. */
const ALIKE = 0.45;
/** Pages that are as like as the likest to within this are compared closely, so many at most. */
const CLOSE = 0.08;
const MOST = 6;
/** Where another page looks as like it to within this, it may be that one. */
const DOUBT = 0.06;
/** Of pages that look the same the one counts more that is nearer in order, a page. */
const NEARER = 0.002;
/** How alike pages that are the same are at least, by the pieces of them that are found. */
const SURE = 0.35;

/**
 * What has become of pages that cannot be told by their words: each is the page of the other edition that looks most like it. Pairs that are most alike come
 * first; of pages that look the same, the one in its order.
 */
export function fatesByPicture(
  was: readonly SeenPage[],
  is: readonly SeenPage[],
  onProgress: (done: number, all: number) => void = () => undefined,
): Map<number, PageFate> {
  const found: { a: SeenPage; b: SeenPage; on: LiesOn }[] = [];
  // By so many pages the one before has moved on.
  let moved = 0;
  was.forEach((a, k) => {
    const candidates = candidatesFor(a, is).sort(
      (p, q) => Math.abs(p.page - a.page - moved) - Math.abs(q.page - a.page - moved),
    );
    for (const b of candidates) {
      const on = liesOn(a.picture, b.picture);
      if (!on || on.alike < SURE) continue;
      found.push({ a, b, on });
      if (on.alike < CLEAR) continue;
      moved = b.page - a.page;
      break;
    }
    onProgress(k + 1, was.length);
  });
  const rank = ({ a, b, on }: (typeof found)[number]): number =>
    on.alike - NEARER * Math.abs(a.page - b.page);
  found.sort((p, q) => rank(q) - rank(p));
  const fates = new Map<number, PageFate>();
  const taken = new Set<number>();
  for (const { a, b, on } of found) {
    if (fates.has(a.page) || taken.has(b.page)) continue;
    taken.add(b.page);
    const map = thenMatrix(thenMatrix(pixelsOf(a), on.map), invertMatrix(pixelsOf(b)));
    const isDoubtful = found.some(
      (one) => one.a === a && one.b !== b && one.on.alike > on.alike - DOUBT,
    );
    const share = isDoubtful ? on.alike / 2 : on.alike;
    fates.set(a.page, { to: b.page, map, share, by: 'picture' });
  }
  return fates;
}

/** Pages that look most like one at first sight, which are compared closely. */
function candidatesFor(a: SeenPage, is: readonly SeenPage[]): SeenPage[] {
  const all = is
    .map((b) => ({ b, alike: roughlyAlike(a.picture, b.picture) }))
    .sort((p, q) => q.alike - p.alike);
  return all
    .filter(({ alike }) => alike >= ALIKE && alike >= all[0].alike - CLOSE)
    .slice(0, MOST)
    .map(({ b }) => b);
}

/** From the user space of a page to the middles of its picture's pixels. */
function pixelsOf({ box, picture }: SeenPage): Matrix {
  const { width, height } = displaySize(box);
  const to: Matrix = [picture.width / width, 0, 0, picture.height / height, -0.5, -0.5];
  return thenMatrix(displayMatrix(box), to);
}
