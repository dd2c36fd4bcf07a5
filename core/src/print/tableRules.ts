import type { Box } from '../geometry/index.ts';
import type { Level } from './seenLines.ts';

/** Rules of a table begin and end alike: they have so much of the longer in common. */
const ALIKE = 0.85;
/** Words whose foot is no farther above a rule stand on it, points. */
const ON_IT = 8.5;
/** Words stand over a rule when they do so for so long, points: a label beside it does not. */
const OVER = 3;
/** Words farther apart stand in two columns, points. */
const COLUMN_GAP = 9;
/** Words of a heading are so much higher than the middle one of the page. */
const TALL = 1.2;
/** A heading between two rules stands no farther beneath the upper one, points. */
const BENEATH = 16;

/** The words between two rules of a table. */
interface Row {
  readonly head: Level;
  readonly foot: Level;
  readonly words: readonly Box[];
}

/**
 * Of level rules, from the top down, those that bound the rows of tables, and headings that stand between two rules: words stand on the next rule of the
 * same width beneath. Lists of labels, each on a rule of its own, are no tables.
 */
export function tableRules(rules: readonly Level[], words: readonly Box[]): ReadonlySet<Level> {
  const found = new Set<Level>();
  const tall = TALL * usualHeight(words);
  for (const stack of stacksOf(rules)) {
    const filled = rowsOf(stack, words).filter(standsOn);
    for (const { head, foot, words: said } of filled) {
      const isHeading = said.some(({ minY, maxY }) => maxY - minY > tall);
      const isRow = columnsIn(said) > 1;
      if (isHeading || isRow || filled.some((row) => row.foot === head && found.has(head)))
        found.add(foot);
      // A line over a list of labels bounds it; one that is written on stands under others, or beside its label.
      const isFirst = head === stack[0] && !words.some((word) => isOver(word, head));
      if (isClose(head, said) && (isHeading || isRow || isFirst)) found.add(head);
    }
  }
  return found;
}

/** Of what is in the middle of all. */
function usualHeight(words: readonly Box[]): number {
  const heights = words.map(({ minY, maxY }) => maxY - minY).sort((a, b) => a - b);
  return heights[Math.floor(heights.length / 2)] ?? 0;
}

/** Rules of one width, each beneath the last. */
function stacksOf(rules: readonly Level[]): Level[][] {
  const stacks: Level[][] = [];
  for (const rule of rules) {
    const stack = stacks.find((one) => isAlike(one[one.length - 1], rule));
    if (stack) stack.push(rule);
    else stacks.push([rule]);
  }
  return stacks.filter((stack) => stack.length > 1);
}

const isAlike = (a: Level, b: Level): boolean =>
  Math.min(a.to, b.to) - Math.max(a.from, b.from) >= ALIKE * Math.max(a.to - a.from, b.to - b.from);

const rowsOf = (stack: readonly Level[], words: readonly Box[]): Row[] =>
  stack.slice(1).map((foot, k) => ({
    head: stack[k],
    foot,
    words: words.filter(
      (word) =>
        isAbove(word, foot) &&
        (word.minY + word.maxY) / 2 > stack[k].y &&
        (word.minY + word.maxY) / 2 < foot.y,
    ),
  }));

const isAbove = ({ minX, maxX }: Box, { from, to }: Level): boolean =>
  Math.min(maxX, to) - Math.max(minX, from) > OVER;

/** A word stands on a rule. */
const isOver = (word: Box, rule: Level): boolean =>
  isAbove(word, rule) && word.minY < rule.y - OVER && Math.abs(rule.y - word.maxY) < ON_IT;

const standsOn = ({ foot, words }: Row): boolean =>
  words.some((word) => foot.y - word.maxY < ON_IT);

const isClose = (head: Level, words: readonly Box[]): boolean =>
  words.some((word) => word.minY - head.y < BENEATH);

/** In how many places beside each other words stand. */
function columnsIn(words: readonly Box[]): number {
  let columns = 0;
  let end = -Infinity;
  for (const { minX, maxX } of [...words].sort((a, b) => a.minX - b.minX)) {
    if (minX - end > COLUMN_GAP) columns++;
    end = Math.max(end, maxX);
  }
  return columns;
}
