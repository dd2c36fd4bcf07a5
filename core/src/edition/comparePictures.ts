import { IDENTITY, type Matrix, thenMatrix } from '../geometry/index.ts';
import { type InkPicture, narrowed, turned } from './inkPicture.ts';
import { bestWay, COARSE, layings, ROUGH_TURNS } from './layings.ts';
import { fittedByPieces, type LiesOn } from './pieces.ts';

/** Pixels across at which it is told which page is which. */
const SMALL = 28;
/** Less alike than this at first sight pages are not looked at closely. */
const ROUGHLY = 0.3;
/** As clear as this it is the same page, and no other way round is tried. */
export const CLEAR = 0.5;

interface WayRound {
  readonly picture: InkPicture;
  /** What carries the pixels of the picture as it came to these. */
  readonly map: Matrix;
}

/** The same picture in the quarter turns, clockwise. */
function quarters(picture: InkPicture): WayRound[] {
  const all: WayRound[] = [{ picture, map: IDENTITY }];
  for (let k = 1; k < 4; k++) {
    const { picture: last, map } = all[k - 1];
    const turn: Matrix = [0, 1, -1, 0, last.height - 1, 0];
    all.push({ picture: turned(last), map: thenMatrix(map, turn) });
  }
  return all;
}

/** The quarter turns in which one page may lie on another: on its side it is as wide as the other is high. */
function waysRound(a: InkPicture, b: InkPicture): WayRound[] {
  const isUpright = (one: InkPicture): boolean => one.height >= one.width;
  const same = isUpright(a) === isUpright(b);
  return quarters(a).filter((_, k) => (k % 2 === 0) === same);
}

/** How alike two pages are, roughly, whatever way round and a little askew; for telling which page is which. */
export const roughlyAlike = (a: InkPicture, b: InkPicture): number =>
  Math.max(
    ...waysRound(narrowed(a, SMALL), b).map(
      ({ picture }) => layings(narrowed(picture, SMALL), b, ROUGH_TURNS)[0].alike,
    ),
  );

/** Where a page lies on another one, however it is turned; null where they have nothing in common. */
export function liesOn(a: InkPicture, b: InkPicture): LiesOn | null {
  const closely = ({ picture, map }: WayRound): LiesOn | null => {
    const { alike, map: whole } = bestWay(picture, b, layings(narrowed(picture, COARSE), b));
    if (alike < ROUGHLY) return null;
    const finer = fittedByPieces(picture, b, whole);
    return { map: thenMatrix(map, finer.map), alike: finer.alike };
  };
  const [upright, ...others] = waysRound(a, b);
  let best = closely(upright);
  // Forms look much the same upside down: what is clear is not questioned.
  if (best && best.alike >= CLEAR) return best;
  for (const one of others) {
    const found = closely(one);
    if (found && found.alike > (best?.alike ?? 0)) best = found;
  }
  return best && best.alike > 0 ? best : null;
}
