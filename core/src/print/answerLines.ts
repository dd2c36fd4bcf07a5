import {
  type Box,
  box,
  displayMatrix,
  type PageBox,
  transform,
  transformBox,
} from '../geometry/index.ts';
import { answerGaps } from './answerGaps.ts';
import { type Comb, combs } from './combs.ts';
import type { DrawnShapes } from './drawnShapes.ts';
import type { Print } from './print.ts';

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
}

/** A rule as the page is seen. */
export interface Rule {
  readonly from: number;
  readonly to: number;
  readonly y: number;
}

/** What rises by less over its length is level, points. */
const LEVEL = 0.8;
/** Rules at one height and no farther apart than this go on in each other, points. */
const SAME_HEIGHT = 0.8;
const GAP = 2;
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
/** Letters that reach beneath a rule reach no farther, points. */
const THROUGH = 5;
/**
 * The lines of a page that are meant for answers, from the top down, those of one height from left to right: rules with room above them, rows of dots or
 * underscores, gaps between brackets, cells for letters. Rules under words, around cells and under running titles are none.
 */
export function answerLines(shapes: DrawnShapes, print: Print, page: PageBox): AnswerLine[] {
  const display = displayMatrix(page);
  const words = print.words.map((word) => ({
    box: transformBox(display, word.box),
    running: print.lines[word.line]?.running ?? false,
  }));
  const { level, upright } = rulesOf(shapes, page);
  const printed = words.map((word) => word.box);
  const cells = combs(shapes, print, page);
  const rules = level
    .filter((rule) => !cells.some((comb) => isSideOf(rule, comb)))
    .filter((rule) => !isSeparator(rule, words) && !isFrame(rule, upright))
    .flatMap((rule) => freeOf(rule, printed) ?? []);
  const lines = [...rules, ...answerGaps(print, page)]
    .map((line) => ({ ...line, room: roomAbove(line, level, printed) }))
    .filter(({ room }) => room >= LEAST_ROOM);
  return [...lines, ...cells].sort((a, b) =>
    Math.abs(a.y - b.y) < SAME_HEIGHT ? a.from - b.from : a.y - b.y,
  );
}

/** The level rules of a page, each whole, and the upright ones. */
function rulesOf({ rules }: DrawnShapes, page: PageBox): { level: Rule[]; upright: Box[] } {
  const display = displayMatrix(page);
  const level: { from: number; to: number; y: number }[] = [];
  const upright: Box[] = [];
  for (let k = 0; k + 3 < rules.length; k += 4) {
    const a = transform(display, { x: rules[k], y: rules[k + 1] });
    const b = transform(display, { x: rules[k + 2], y: rules[k + 3] });
    if (Math.abs(a.y - b.y) < LEVEL)
      level.push({ from: Math.min(a.x, b.x), to: Math.max(a.x, b.x), y: (a.y + b.y) / 2 });
    else if (Math.abs(a.x - b.x) < LEVEL)
      upright.push(
        box(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y)),
      );
  }
  level.sort((a, b) => (Math.abs(a.y - b.y) < SAME_HEIGHT ? a.from - b.from : a.y - b.y));
  const whole: { from: number; to: number; y: number }[] = [];
  for (const rule of level) {
    const last = whole[whole.length - 1];
    if (last && Math.abs(last.y - rule.y) < SAME_HEIGHT && rule.from - last.to < GAP)
      last.to = Math.max(last.to, rule.to);
    else whole.push({ ...rule });
  }
  return { level: whole.filter(({ from, to }) => to - from >= SHORTEST), upright };
}

const shared = (a: { from: number; to: number }, b: Box): number =>
  Math.min(a.to, b.maxX) - Math.max(a.from, b.minX);

/** Words that stand right on a rule. */
const standingOn = (rule: Rule, words: readonly Box[]): Box[] =>
  words.filter(
    (word) =>
      shared(rule, word) > 0 &&
      word.maxY > rule.y - ON_IT &&
      word.maxY < rule.y + THROUGH &&
      word.minY < rule.y - 2,
  );

/** It is the head or the foot of cells. */
const isSideOf = ({ from, to, y }: Rule, comb: Comb): boolean =>
  Math.min(to, comb.to) - Math.max(from, comb.from) > comb.cell &&
  y > comb.y - comb.room - GAP &&
  y < comb.y + GAP;

/** What of a rule is free for an answer: it begins after the label that stands on it. Null where words stand on most of it: it underlines them. */
function freeOf(rule: Rule, words: readonly Box[]): Rule | null {
  const standing = standingOn(rule, words);
  const covered = standing.reduce((sum, word) => sum + shared(rule, word), 0);
  if (covered > COVERED * (rule.to - rule.from)) return null;
  const from = standing.reduce((most, word) => Math.max(most, word.maxX + OVER), rule.from);
  return rule.to - from >= SHORTEST ? { ...rule, from } : null;
}

/** It parts a running title from the text: nothing but that stands on its other side, and close to it. */
function isSeparator(
  { y }: Rule,
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

/** Upright rules meet both of its ends: the side of a cell or of a frame. */
function isFrame({ from, to, y }: Rule, upright: readonly Box[]): boolean {
  const meets = (x: number): boolean =>
    upright.some(
      (rule) => Math.abs(rule.minX - x) < GAP && rule.minY < y + GAP && rule.maxY > y - GAP,
    );
  return meets(from) && meets(to);
}

/** How far the next rule, or the next words, are above a line. */
function roomAbove(line: Rule, rules: readonly Rule[], words: readonly Box[]): number {
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
