import { boxHeight, boxWidth, type Box, uniteBoxes } from '../geometry/index.ts';
import { asInk, type Mark } from '../kinds/index.ts';
import { boundsOf } from './drawingOf.ts';
import type { ListedMark } from './markList.ts';

/** A larger stroke is no part of writing, points … */
const LARGEST = 120;
/** … nor is one so much longer than it is high, from a length on where that is no dash: a rule, an underline. */
const LONG = 12;
const DASH = 40;

/** Whether a mark may be a stroke of somebody's writing: pen ink of the size of letters and words. */
export function isLetterLike(mark: Mark): boolean {
  if (asInk(mark)?.tool !== 'pen' || mark.locked) return false;
  const b = boundsOf(mark);
  return boxHeight(b) < LARGEST && boxWidth(b) < 3 * LARGEST;
}

const isRule = ({ box }: ListedMark): boolean =>
  boxWidth(box) > DASH && boxWidth(box) > LONG * boxHeight(box);

/** A line of handwriting: nothing of it is read, its strokes only stand together. */
export interface WrittenLine {
  /** Of its first stroke. */
  readonly id: string;
  readonly page: number;
  readonly box: Box;
  readonly marks: readonly ListedMark[];
  /** From left to right; each of strokes that stand close together. */
  readonly words: readonly (readonly ListedMark[])[];
}

/** What stands in one row of the list. */
export type ListRow = { readonly mark: ListedMark } | { readonly line: WrittenLine };

/** Lines one may have gone back to, to dot an i. */
const REMEMBERED = 4;
/** Writing is no smaller, points: before anything tall has been written a dot says nothing of it. */
const SMALLEST = 5;
/** How much of the lower one of stroke and line must lie at one height. */
const OVERLAP = 0.4;
/** Words of one line are apart by no more than so many heights, and so many points. */
const APART_HEIGHTS = 3.5;
const APART = 12;
/** Strokes farther apart than this share of the line's height are two words'. */
const BETWEEN_WORDS = 0.45;

interface Growing {
  readonly marks: ListedMark[];
  readonly heights: number[];
  box: Box;
  /** Middle of its taller strokes, and how tall they are. */
  middle: number;
  height: number;
}

/** Rows in reading order for a list of marks in reading order: lines of handwriting in one row each. */
export function listRows(list: readonly ListedMark[]): readonly ListRow[] {
  const lineOf = new Map<ListedMark, WrittenLine>();
  for (const page of new Set(list.map((row) => row.page)))
    for (const line of linesOfPage(list.filter((row) => row.page === page)))
      for (const mark of line.marks) lineOf.set(mark, line);
  const shown = new Set<WrittenLine>();
  return list.flatMap((mark): ListRow[] => {
    const line = lineOf.get(mark);
    if (!line) return [{ mark }];
    if (shown.has(line)) return [];
    shown.add(line);
    return [{ line }];
  });
}

/** Of the marks of one page the lines of handwriting that have more than one stroke. */
function linesOfPage(list: readonly ListedMark[]): WrittenLine[] {
  const strokes = list
    .filter((row) => isLetterLike(row.mark) && !isRule(row))
    .sort((a, b) => a.mark.order - b.mark.order);
  const lines: Growing[] = [];
  const recent: Growing[] = [];
  for (const stroke of strokes) {
    let line = recent.find((one) => belongs(stroke.box, one));
    if (line) recent.splice(recent.indexOf(line), 1);
    else {
      line = { marks: [], heights: [], box: stroke.box, middle: 0, height: 0 };
      lines.push(line);
    }
    recent.unshift(line);
    recent.length = Math.min(recent.length, REMEMBERED);
    grow(line, stroke);
  }
  return lines
    .filter(({ marks }) => marks.length > 1)
    .map(({ marks, box, height }) => ({
      id: marks[0].mark.id,
      page: marks[0].page,
      box,
      marks,
      words: wordsIn(marks, height),
    }));
}

function belongs(b: Box, line: Growing): boolean {
  const { middle, height } = line;
  const far = APART_HEIGHTS * height + APART;
  if (b.minX - line.box.maxX > far || line.box.minX - b.maxX > far) return false;
  const overlap = Math.min(b.maxY, middle + height / 2) - Math.max(b.minY, middle - height / 2);
  if (overlap >= OVERLAP * Math.min(Math.max(boxHeight(b), 1), height)) return true;
  // A dot, an accent, a comma, the bar of a t.
  const isSmall = boxHeight(b) < height / 2 && boxWidth(b) < 1.6 * height;
  const isNear = Math.abs((b.minY + b.maxY) / 2 - middle) < 1.7 * height;
  // The next word may begin with it.
  const isAlong = b.minX > line.box.minX - height && b.maxX < line.box.maxX + 2 * height;
  return isSmall && isNear && isAlong;
}

function grow(line: Growing, stroke: ListedMark): void {
  const { marks, heights } = line;
  const { box } = stroke;
  marks.push(stroke);
  line.box = uniteBoxes(line.box, box);
  heights.push(boxHeight(box));
  const sorted = [...heights.slice(-40)].sort((a, b) => a - b);
  line.height = Math.max(SMALLEST, sorted[Math.floor(sorted.length * 0.6)]);
  const tall = marks.slice(-20).filter((row) => boxHeight(row.box) >= line.height / 2);
  const said = tall.length > 0 ? tall : marks.slice(-20);
  line.middle = said.reduce((sum, row) => sum + (row.box.minY + row.box.maxY) / 2, 0) / said.length;
}

function wordsIn(marks: readonly ListedMark[], height: number): ListedMark[][] {
  const words: { marks: ListedMark[]; end: number }[] = [];
  for (const row of [...marks].sort((a, b) => a.box.minX - b.box.minX)) {
    const word = words[words.length - 1];
    if (word && row.box.minX - word.end <= BETWEEN_WORDS * height) {
      word.marks.push(row);
      word.end = Math.max(word.end, row.box.maxX);
    } else words.push({ marks: [row], end: row.box.maxX });
  }
  return words.map((word) => word.marks);
}
