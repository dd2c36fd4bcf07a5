import { displaySize, type PageBox } from '../geometry/index.ts';

export interface PageSize {
  /** As paper of this size is called, either way up; null where it has no name. */
  readonly name: string | null;
  /** Millimetres, whole, as the pages are seen. */
  readonly width: number;
  readonly height: number;
  /** So many pages have it. */
  readonly count: number;
}

const MM = 25.4 / 72;
/** Two sizes are the same when no side differs by more, mm: programs round. */
const SAME = 1.5;

/** Short side and long side, mm: ISO 216, and the American sizes of ANSI/ASME Y14.1 and trade. */
const PAPERS: readonly (readonly [name: string, short: number, long: number])[] = [
  ['A3', 297, 420],
  ['A4', 210, 297],
  ['A5', 148, 210],
  ['A6', 105, 148],
  ['B4', 250, 353],
  ['B5', 176, 250],
  ['Letter', 216, 279],
  ['Legal', 216, 356],
  ['Tabloid', 279, 432],
];

/** The sizes that pages have, the most frequent first. */
export function pageSizes(pages: readonly PageBox[]): readonly PageSize[] {
  const sizes: { width: number; height: number; count: number }[] = [];
  for (const page of pages) {
    const seen = displaySize(page);
    const [width, height] = [seen.width * MM, seen.height * MM];
    const same = sizes.find(
      (size) => Math.abs(size.width - width) <= SAME && Math.abs(size.height - height) <= SAME,
    );
    if (same) same.count++;
    else sizes.push({ width, height, count: 1 });
  }
  return sizes
    .sort((a, b) => b.count - a.count)
    .map(({ width, height, count }) => {
      const [short, long] = width < height ? [width, height] : [height, width];
      const paper = PAPERS.find(
        ([, s, l]) => Math.abs(s - short) <= SAME && Math.abs(l - long) <= SAME,
      );
      return {
        name: paper?.[0] ?? null,
        width: Math.round(width),
        height: Math.round(height),
        count,
      };
    });
}
