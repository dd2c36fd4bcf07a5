import type { PaperSample } from './dotNear.ts';

/** A printed rule in a piece of paper: its height and its ends, points from the piece's upper left corner, y down. */
export interface PrintedRule {
  readonly y: number;
  readonly from: number;
  readonly to: number;
}

/** Darker than this is printed, of 255: hairlines are drawn light. */
const PRINTED = 225;
/** A rule is at least so long, and at most so thick, points; its gaps are no wider. */
const SHORTEST = 60;
const THICKEST = 3;
const WIDEST_GAP = 3;

/** The horizontal rules printed on a piece of paper, from the top down; bars and the edges of pictures are none. */
export function rulesIn(paper: PaperSample): readonly PrintedRule[] {
  const { height, pixelsPerPoint: scale } = paper;
  const rules: PrintedRule[] = [];
  let rows: { from: number; to: number }[] = [];
  const end = (y: number): void => {
    if (rows.length > 0 && rows.length <= Math.max(1, THICKEST * scale)) {
      const from = Math.min(...rows.map((row) => row.from));
      const to = Math.max(...rows.map((row) => row.to));
      rules.push({ y: (y - rows.length / 2) / scale, from: from / scale, to: to / scale });
    }
    rows = [];
  };
  for (let y = 0; y < height; y++) {
    const row = longestRun(paper, y);
    if (row && row.to - row.from >= SHORTEST * scale) rows.push(row);
    else end(y);
  }
  end(height);
  return rules;
}

/** The longest printed run of a row, small gaps and all, pixels; null where nothing is printed. */
function longestRun(
  { width, brightness, pixelsPerPoint }: PaperSample,
  y: number,
): { from: number; to: number } | null {
  const gap = WIDEST_GAP * pixelsPerPoint;
  let best: { from: number; to: number } | null = null;
  let from = -1;
  let last = -Infinity;
  for (let x = 0; x < width; x++) {
    if (brightness[y * width + x] > PRINTED) continue;
    if (x - last > gap) from = x;
    last = x;
    if (!best || last - from > best.to - best.from) best = { from, to: last + 1 };
  }
  return best;
}
