import {
  type Box,
  boxCentre,
  distance,
  IDENTITY,
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
/** Of what a word counts, a number does so much. */
const WEAK = 0.25;
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
  weight: number;
  readonly line: number;
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
      const { now, line } = word;
      const map = now && now.page === fate.to ? fate.map : IDENTITY;
      const off = now
        ? subtract(boxCentre(now.box), transform(map, boxCentre(word.box)))
        : { x: 0, y: 0 };
      const weight = (word.weak ? WEAK : 1) / (1 + away / HALF);
      return [{ weight, line, away, page: now?.page ?? null, off }];
    })
    .sort((a, b) => a.away - b.away)
    .slice(0, MOST);
  // A line of many words says hardly more than one of few.
  const met = new Map<number, number>();
  for (const one of near) {
    const rank = (met.get(one.line) ?? 0) + 1;
    met.set(one.line, rank);
    one.weight /= rank;
  }
  const all = near.reduce((sum, { weight }) => sum + weight, 0);
  const best = largestCluster(near);
  if (!best) return null;
  const { page, members } = best;
  const heavy = members.reduce((sum, { weight }) => sum + weight, 0);
  const mean = {
    x: members.reduce((sum, { off, weight }) => sum + off.x * weight, 0) / heavy,
    y: members.reduce((sum, { off, weight }) => sum + off.y * weight, 0) / heavy,
  };
  const map = page === fate.to ? fate.map : IDENTITY;
  const first = near.find((one) => one.page !== null);
  return {
    page,
    map: Math.hypot(mean.x, mean.y) < 0.75 ? map : thenMatrix(map, moveBy(mean)),
    share: heavy / all,
    count: members.length,
    nearest: first !== undefined && members.includes(first),
  };
}

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

/** What stands on another line is so many times as far away as it seems. */
const ACROSS = 3;

/** How far a word and an area are apart; 0 where they meet. */
const between = (word: Box, area: Box): number => {
  const gap = (a: number, b: number, c: number, d: number): number =>
    Math.max(0, Math.max(a, c) - Math.min(b, d));
  return Math.hypot(
    gap(word.minX, word.maxX, area.minX, area.maxX),
    ACROSS * gap(word.minY, word.maxY, area.minY, area.maxY),
  );
};
