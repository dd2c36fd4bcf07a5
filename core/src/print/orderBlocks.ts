import type { Block } from './blocks.ts';
import { untangle } from './untangle.ts';

/** Between two columns is at least so much, in sizes of type. */
const GUTTER = 0.5;
/** Text that stands in one column fills at least so much of its width. */
const FILLS = 0.6;
/** It begins where the column does, give or take so much, in sizes of type. */
const INDENT = 3;
/** What is set smaller than this, of the size of the text, is no part of it. */
const SMALLER = 0.8;
/** Lines at the head and the foot of a page stand this far off from its text, in sizes of type. */
const OFF = 1.2;

/** Blocks in the order they are read in: the lines at the head of the page, its text, those at its foot. */
export interface OrderedPage {
  readonly head: readonly Block[];
  readonly text: readonly Block[];
  readonly foot: readonly Block[];
}

/** Orders the blocks of a page that are written in one direction. */
export function orderPage(blocks: readonly Block[]): OrderedPage {
  const rows = rowsIn(blocks);
  let [first, last] = [0, rows.length - 1];
  if (first < last && isRunning(rows[first], rows[first + 1])) first++;
  if (first < last && isRunning(rows[last], rows[last - 1])) last--;
  const across = (row: readonly Block[]): Block[] => [...row].sort((a, b) => a.from - b.from);
  return {
    head: rows.slice(0, first).flatMap(across),
    text: orderBlocks(rows.slice(first, last + 1).flat()),
    foot: rows.slice(last + 1).flatMap(across),
  };
}

/** Whether a row is of single lines that stand off from the text beside it. */
function isRunning(row: readonly Block[], text: readonly Block[]): boolean {
  const [foot, head] = [Math.min(...row.map((b) => b.foot)), Math.max(...row.map((b) => b.head))];
  const gap = Math.max(
    foot - Math.max(...text.map((b) => b.head)),
    Math.min(...text.map((b) => b.foot)) - head,
  );
  return row.every((b) => b.lines.length === 1) && gap > OFF * Math.max(...row.map((b) => b.size));
}

/**
 * The order in which blocks are read: cut into columns where white space goes down all of them, else into rows, and so on
 * within each (G. Nagy, S. Seth, Hierarchical representation of optically scanned documents, 1984; from memory). Rows that have the same
 * columns stay together, so that paragraphs which happen to end at one height do not part a column.
 */
function orderBlocks(blocks: readonly Block[]): Block[] {
  if (blocks.length < 2) return [...blocks];
  const columns = columnsIn(blocks);
  if (columns.length > 1) return columns.flatMap(orderBlocks);
  const rows = rowsIn(blocks);
  if (rows.length < 2) return untangle(blocks);
  return withOneGutter(rows).flatMap(orderBlocks);
}

/** Groups with white space between them from the first of their lines to the last, from left to right. */
function columnsIn(blocks: readonly Block[]): Block[][] {
  const sorted = [...blocks].sort((a, b) => a.from - b.from);
  const groups: Block[][] = [];
  let end = -Infinity;
  for (const block of sorted) {
    if (groups.length === 0 || block.from - end > GUTTER * block.size) groups.push([block]);
    else groups[groups.length - 1].push(block);
    end = Math.max(end, block.to);
  }
  return groups;
}

/** Groups with white space between them from one side to the other, from the top down. */
function rowsIn(blocks: readonly Block[]): Block[][] {
  const sorted = [...blocks].sort((a, b) => b.head - a.head);
  const rows: Block[][] = [];
  let foot = Infinity;
  for (const block of sorted) {
    if (rows.length === 0 || block.head <= foot) rows.push([block]);
    else rows[rows.length - 1].push(block);
    foot = Math.min(foot, block.foot);
  }
  return rows;
}

/** Puts rows together that follow on each other in the same columns. */
function withOneGutter(rows: readonly Block[][]): Block[][] {
  const groups: Block[][] = [];
  for (const row of rows) {
    const last = groups[groups.length - 1];
    if (last && goesOn(last, row)) last.push(...row);
    else groups.push([...row]);
  }
  // All in one would be cut the same way again, and again.
  return groups.length > 1 ? groups : rows.map((row) => [...row]);
}

/** Whether a row goes on in the columns above it: beside the same gutter on both sides, or filling one of them. */
function goesOn(above: readonly Block[], row: readonly Block[]): boolean {
  const columns = columnsIn([...above, ...row]);
  if (columns.length < 2) return false;
  const inRow = new Set(row);
  const parted = columns.map((column) => ({
    upper: column.filter((block) => !inRow.has(block)),
    lower: column.filter((block) => inRow.has(block)),
  }));
  const reached = (part: 'upper' | 'lower'): number =>
    parted.filter((column) => column[part].length > 0).length;
  if (reached('upper') < 2 && reached('lower') < 2) return false;
  return parted.every(({ upper, lower }) => {
    if (upper.length === 0 || lower.length === 0) return true;
    return (
      !isSmaller(upper, lower) &&
      !isSmaller(lower, upper) &&
      (fill(upper, lower) || fill(lower, upper))
    );
  });
}

/** Whether all of some blocks are set smaller than all of others, as lines at the head and foot of a page are. */
const isSmaller = (some: readonly Block[], others: readonly Block[]): boolean =>
  Math.max(...some.map((b) => b.size)) < SMALLER * Math.min(...others.map((b) => b.size));

/** Whether blocks are as wide as those of one column, and begin where they do. */
function fill(column: readonly Block[], blocks: readonly Block[]): boolean {
  const [from, to] = extent(column);
  const [start, end] = extent(blocks);
  return (
    Math.abs(start - from) < INDENT * blocks[0].size &&
    Math.min(end, to) - Math.max(start, from) > FILLS * (to - from)
  );
}

const extent = (blocks: readonly Block[]): [number, number] => [
  Math.min(...blocks.map((b) => b.from)),
  Math.max(...blocks.map((b) => b.to)),
];
