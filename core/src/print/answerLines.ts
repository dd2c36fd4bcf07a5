import {
  type Box,
  boxWidth,
  displayMatrix,
  type PageBox,
  transformBox,
} from '../geometry/index.ts';
import { answerGaps } from './answerGaps.ts';
import { placesIn } from './cellPlaces.ts';
import { type Comb, combs } from './combs.ts';
import { type DrawnShapes, squaresOf } from './drawnShapes.ts';
import { withoutFigures } from './inFigures.ts';
import type { Print } from './print.ts';
import { type Level, seenLines, type Upright } from './seenLines.ts';
import { type Cell, cellsIn } from './tableCells.ts';
import { tableRules } from './tableRules.ts';

/** A line that an answer is to be written on: points from the page's upper left corner as it is seen, y down. */
export interface AnswerLine {
  readonly from: number;
  readonly to: number;
  /** What letters stand on. */
  readonly y: number;
  /** What is free above it: up to the line above, or to what is printed there. */
  readonly room: number;
  /** Width of its cells, points, where each letter has one. */
  readonly cell?: number;
  /** It stands in a cell: what is written there does not go on beneath it. */
  readonly alone?: true;
}

/** Rules at one height and no farther apart than this go on in each other, points. */
const SAME_HEIGHT = 0.8;
const GAP = 2;
/** A rule no farther from the side of a cell is that, points. */
const SIDE = 1.2;
/** A line is no shorter, points, and there is so much room above one that is written on; more than the most is not told from more. */
const SHORTEST = 24;
const LEAST_ROOM = 8.5;
const MOST_ROOM = 60;
/** What is printed on this share of a rule's length makes it an underline. */
const COVERED = 0.5;
/** Words reach into a line's room when they lie over so much of it, points: a label beside it does not. */
const OVER = 3;
/** Words whose foot is no farther above a line stand on it, points. */
const ON_IT = 4;
/** The rule of a running title is no farther from it, points. */
const BESIDE = 20;
/** Letters in a cell stand so far above its foot, of its height, or in the middle of higher ones; they begin so far in, points. */
const CELL_FOOT = 0.22;
const IN_CELL = 3;
const LETTERS = 10;

/**
 * The lines of a page that are meant for answers, from the top down, those of one height from left to right: rules with room above them, rows of dots or
 * underscores, gaps between brackets, cells for letters, empty cells of tables. Rules under words, around tables, in figures and under running titles are none.
 */
export function answerLines(shapes: DrawnShapes, print: Print, page: PageBox): AnswerLine[] {
  const display = displayMatrix(page);
  const words = print.words.map((word) => ({
    box: transformBox(display, word.box),
    running: print.lines[word.line]?.running ?? false,
  }));
  const printed = words.map((word) => word.box);
  const seen = withoutFigures(seenLines(shapes, page));
  const levels = wholeLevels(seen.levels);
  const rows = combs(seen, printed, squaresOf(shapes, page));
  const cells = cellsIn(seen, printed).filter((cell) => !rows.some((comb) => isInComb(cell, comb)));
  const places = placesIn(cells);
  const bounds = tableRules(levels, printed);
  const rules = levels
    .filter((rule) => !bounds.has(rule))
    .filter((rule) => !rows.some((comb) => isSideOf(rule, comb)))
    .filter((rule) => !places.sides.some((cell) => isOfCell(rule, cell)))
    .filter((rule) => !isSeparator(rule, words) && !isFrame(rule, seen.uprights, places.ruled))
    .flatMap((rule) => freeOf(rule, printed) ?? []);
  const lines = [...rules, ...answerGaps(print, page)]
    .map((line) => ({ ...line, room: roomAbove(line, levels, printed) }))
    .filter(({ room }) => room >= LEAST_ROOM);
  return [...lines, ...rows, ...places.empty.map(lineInCell)].sort((a, b) =>
    Math.abs(a.y - b.y) < SAME_HEIGHT ? a.from - b.from : a.y - b.y,
  );
}

/** The level rules of a page, each whole, from the top down. */
function wholeLevels(levels: readonly Level[]): Level[] {
  const whole: { from: number; to: number; y: number }[] = [];
  for (const rule of [...levels].sort((a, b) =>
    Math.abs(a.y - b.y) < SAME_HEIGHT ? a.from - b.from : a.y - b.y,
  )) {
    const last = whole[whole.length - 1];
    if (last && Math.abs(last.y - rule.y) < SAME_HEIGHT && rule.from - last.to < GAP)
      last.to = Math.max(last.to, rule.to);
    else whole.push({ ...rule });
  }
  return whole.filter(({ from, to }) => to - from >= SHORTEST);
}

const shared = (a: { from: number; to: number }, b: Box): number =>
  Math.min(a.to, b.maxX) - Math.max(a.from, b.minX);

/** Words that stand right on a rule, or are struck through by it. */
const standingOn = (rule: Level, words: readonly Box[]): Box[] =>
  words.filter(
    (word) =>
      shared(rule, word) > Math.min(boxWidth(word), rule.to - rule.from) / 2 &&
      word.maxY > rule.y - ON_IT &&
      word.minY < rule.y - 2,
  );

/** It is the head or the foot of a comb, or one of its cells'. */
const isSideOf = ({ from, to, y }: Level, comb: Comb): boolean =>
  Math.min(to, comb.to) - Math.max(from, comb.from) > GAP &&
  y > comb.y - comb.room - GAP &&
  y < comb.y + GAP;

/** It is the head or the foot of a cell, or lies in one that is a place itself. */
const isOfCell = ({ from, to, y }: Level, { minX, minY, maxX, maxY, empty }: Cell): boolean =>
  Math.min(to, maxX) - Math.max(from, minX) > GAP &&
  y > minY - SIDE &&
  y < maxY + SIDE &&
  (empty || y < minY + SIDE || y > maxY - SIDE);

const isInComb = (cell: Cell, comb: Comb): boolean =>
  Math.min(cell.maxX, comb.to) - Math.max(cell.minX, comb.from) > GAP &&
  Math.abs(cell.maxY - comb.y) < GAP;

function lineInCell({ minX, minY, maxX, maxY }: Cell): AnswerLine {
  const high = maxY - minY;
  const above = Math.max(CELL_FOOT * high, (high - LETTERS) / 2 - 1);
  return { from: minX + IN_CELL, to: maxX - IN_CELL, y: maxY - above, room: high, alone: true };
}

/** What of a rule is free for an answer, beside the label that stands on it. Null where words stand on most of it: it underlines them. */
function freeOf(rule: Level, words: readonly Box[]): Level | null {
  const standing = standingOn(rule, words).sort((a, b) => a.minX - b.minX);
  const covered = standing.reduce((sum, word) => sum + shared(rule, word), 0);
  if (covered > COVERED * (rule.to - rule.from)) return null;
  let free = { from: rule.from, to: rule.from };
  let { from } = rule;
  for (const { minX, maxX } of [...standing, { minX: rule.to + OVER, maxX: rule.to }]) {
    if (minX - OVER - from > free.to - free.from) free = { from, to: minX - OVER };
    from = Math.max(from, maxX + OVER);
  }
  return free.to - free.from >= SHORTEST ? { ...rule, ...free } : null;
}

/** It parts a running title from the text: nothing but that stands on its other side, and close to it. */
function isSeparator(
  { y }: Level,
  words: readonly { readonly box: Box; readonly running: boolean }[],
): boolean {
  const isAbove = (word: { readonly box: Box }): boolean => word.box.maxY < y + 2;
  const above = words.filter(isAbove);
  const below = words.filter((word) => !isAbove(word));
  const isNear = ({ box: b }: { readonly box: Box }): boolean =>
    b.minY < y + BESIDE && b.maxY > y - BESIDE;
  const onlyTitles = (some: typeof words): boolean =>
    some.some(isNear) && some.every((word) => word.running);
  return onlyTitles(above) || onlyTitles(below);
}

/** Upright lines meet both of its ends: the side of a frame. The lines of a ruled frame are none, nor is its foot. */
function isFrame(
  { from, to, y }: Level,
  uprights: readonly Upright[],
  ruled: readonly Cell[],
): boolean {
  if (ruled.some((cell) => Math.abs(cell.maxY - y) < GAP && Math.abs(cell.minX - from) < 2 * GAP))
    return false;
  const meets = (x: number): boolean =>
    uprights.some(
      (side) => Math.abs(side.x - x) < GAP && side.top < y + GAP && side.foot > y - GAP,
    );
  return meets(from) && meets(to);
}

/** How far the next rule, or the next words, are above a line. */
function roomAbove(line: Level, rules: readonly Level[], words: readonly Box[]): number {
  let room = Math.min(MOST_ROOM, line.y);
  for (const rule of rules) {
    const away = line.y - rule.y;
    const over = Math.min(line.to, rule.to) - Math.max(line.from, rule.from);
    if (away > SAME_HEIGHT && over > OVER) room = Math.min(room, away);
  }
  for (const word of words) {
    const away = line.y - word.maxY;
    // What stands on the line itself is the row of dots that it is, or a label that it begins after.
    if (away < ON_IT || word.minY > line.y - 1 || shared(line, word) <= OVER) continue;
    room = Math.min(room, away);
  }
  return room;
}
