import {
  type Box,
  boxCentre,
  boxWidth,
  boxHeight,
  distance,
  type Matrix,
  moveBy,
  subtract,
  thenMatrix,
  transform,
  type Vec,
} from '../geometry/index.ts';
import type { FoundWord, PageFate } from './editionText.ts';

/** Words farther from a mark than this say nothing of its place, points; of the others the nearest. */
const REACH = 160;
const MOST = 24;
/** A word so much farther away counts half as much, points. */
const HALF = 12;
/** Words that have moved alike have moved so to within this, points. */
const ALIKE = 2.5;

/** Where what stands around a mark has gone. */
export interface Surroundings {
  readonly page: number;
  readonly map: Matrix;
  /** Of what stands around it the share that has gone there, the nearest counting most, 0–1. */
  readonly share: number;
  /** Words that have. */
  readonly count: number;
  /** The nearest word that is found has gone there too. */
  readonly nearest: boolean;
}

interface Near {
  readonly weight: number;
  readonly away: number;
  readonly page: number | null;
  /** How it lies beside where the page's map would have it. */
  readonly off: Vec;
}

/** Where the words around an area of a page are now; null where none of them is found. */
export function surroundingsOf(
  words: readonly (FoundWord | undefined)[],
  fate: PageFate,
  area: Box,
): Surroundings | null {
  const near = words
    .flatMap((word): Near[] => {
      if (!word) return [];
      const away = between(word.box, area);
      if (away > REACH) return [];
      const { now } = word;
      const map = now && now.page === fate.to ? fate.map : UNMOVED;
      const off = now
        ? subtract(boxCentre(now.box), transform(map, boxCentre(word.box)))
        : { x: 0, y: 0 };
      return [{ weight: 1 / (1 + away / HALF), away, page: now?.page ?? null, off }];
    })
    .sort((a, b) => a.away - b.away)
    .slice(0, MOST);
  const all = near.reduce((sum, { weight }) => sum + weight, 0);
  const best = largestCluster(near);
  if (!best) return null;
  const { page, members } = best;
  const heavy = members.reduce((sum, { weight }) => sum + weight, 0);
  const mean = {
    x: members.reduce((sum, { off, weight }) => sum + off.x * weight, 0) / heavy,
    y: members.reduce((sum, { off, weight }) => sum + off.y * weight, 0) / heavy,
  };
  const map = page === fate.to ? fate.map : UNMOVED;
  const first = near.find((one) => one.page !== null);
  return {
    page,
    map: Math.hypot(mean.x, mean.y) < 0.75 ? map : thenMatrix(map, moveBy(mean)),
    share: heavy / all,
    count: members.length,
    nearest: first !== undefined && members.includes(first),
  };
}

const UNMOVED: Matrix = [1, 0, 0, 1, 0, 0];

function largestCluster(
  near: readonly Near[],
): { readonly page: number; readonly members: readonly Near[] } | null {
  let best: { page: number; members: Near[]; weight: number } | null = null;
  for (const { page, off } of near) {
    if (page === null) continue;
    const members = near.filter((one) => one.page === page && distance(one.off, off) <= ALIKE);
    const weight = members.reduce((sum, one) => sum + one.weight, 0);
    if (!best || weight > best.weight + 1e-9) best = { page, members, weight };
  }
  return best;
}

/** Lines farther away are not those that something stands beside, points. */
const BESIDE = 120;

/**
 * Where the nearest word that is found has gone, for what stands on no words whose neighbours have gone elsewhere: in the margin it stays as far from the
 * edge, at the height of that word. Null where there is none near.
 */
export function besideLine(
  words: readonly (FoundWord | undefined)[],
  area: Box,
): { readonly page: number; readonly map: Matrix } | null {
  let best: { away: number; word: FoundWord } | null = null;
  for (const word of words) {
    if (!word?.now) continue;
    // A line's own height says more than how far its words are.
    const off = Math.abs(boxCentre(word.box).y - boxCentre(area).y);
    const away = 3 * off + between(word.box, area);
    if (away <= BESIDE && (!best || away < best.away)) best = { away, word };
  }
  if (!best?.word.now) return null;
  const { box, now } = best.word;
  const by = subtract(boxCentre(now.box), boxCentre(box));
  const isBeside = box.minX > area.maxX || box.maxX < area.minX;
  return { page: now.page, map: moveBy(isBeside ? { x: 0, y: by.y } : by) };
}

/** How far two boxes are apart; 0 where they meet. */
const between = (a: Box, b: Box): number =>
  Math.hypot(
    Math.max(0, Math.abs(a.minX + a.maxX - b.minX - b.maxX) / 2 - (boxWidth(a) + boxWidth(b)) / 2),
    Math.max(
      0,
      Math.abs(a.minY + a.maxY - b.minY - b.maxY) / 2 - (boxHeight(a) + boxHeight(b)) / 2,
    ),
  );
