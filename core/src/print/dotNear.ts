import type { Vec } from '../geometry/index.ts';

/** A piece of the picture of a page, without marks. */
export interface PaperSample {
  /** Pixels; rows from the top. */
  readonly width: number;
  readonly height: number;
  /** Brightness of each pixel, 0–255. */
  readonly brightness: ArrayLike<number>;
  readonly pixelsPerPoint: number;
}

/** Diameters of what is a dot to draw a line to rather than a full stop or a blot, points. */
const SMALLEST = 1.9;
const LARGEST = 9;
/** A pixel at least so dark, between the paper and the darkest, belongs to something printed. */
const DARK = 0.3;
/** Print fainter than this is no print. */
const LEAST_CONTRAST = 60;
/** Of its variances, the larger is at most so many times the smaller one: discs and squares, not dashes. */
const MOST_LONG = 1.7;
/** What it covers, as a share of a disc of the same variance: a ring covers less, an angle too. */
const FULL = [0.82, 1.12] as const;

/**
 * The middle of the printed dot nearest to a place in a piece of paper, both in its pixels; null when there is none within
 * `reach` pixels. A dot stands apart from other print and is full, about as wide as it is high.
 */
export function dotNear(paper: PaperSample, at: Vec, reach: number): Vec | null {
  let best: Vec | null = null;
  let nearest = reach;
  for (const blob of blobsOf(paper)) {
    const middle = middleOfDot(paper, blob);
    const away = middle ? Math.hypot(middle.x - at.x, middle.y - at.y) : Infinity;
    if (away > nearest) continue;
    nearest = away;
    best = middle;
  }
  return best;
}

/** Connected dark pixels, their numbers with how dark they are; those that go on beyond the edge are left out. */
function blobsOf({ width, height, brightness }: PaperSample): Map<number, number>[] {
  let [light, dark] = [0, 255];
  for (let i = 0; i < width * height; i++) {
    light = Math.max(light, brightness[i]);
    dark = Math.min(dark, brightness[i]);
  }
  if (light - dark < LEAST_CONTRAST) return [];
  const cover = (i: number): number => (light - brightness[i]) / (light - dark);
  const seen = new Uint8Array(width * height);
  const blobs: Map<number, number>[] = [];
  for (let first = 0; first < width * height; first++) {
    if (seen[first] || cover(first) < DARK) continue;
    const blob = new Map<number, number>();
    const waiting = [first];
    let isWhole = true;
    seen[first] = 1;
    for (let i = waiting.pop(); i !== undefined; i = waiting.pop()) {
      const [x, y] = [i % width, Math.floor(i / width)];
      blob.set(i, cover(i));
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) {
        isWhole = false;
        continue;
      }
      for (const next of [i - 1, i + 1, i - width, i + width]) {
        if (seen[next] || cover(next) < DARK) continue;
        seen[next] = 1;
        waiting.push(next);
      }
    }
    if (isWhole) blobs.push(withRim(blob, width, cover));
  }
  return blobs;
}

/** With the faint pixels around it, so that a blurred edge counts for what it covers. */
function withRim(
  blob: ReadonlyMap<number, number>,
  width: number,
  cover: (i: number) => number,
): Map<number, number> {
  const all = new Map(blob);
  for (const i of blob.keys())
    for (const next of [i - 1, i + 1, i - width, i + width]) all.set(next, cover(next));
  return all;
}

/** The middle of a blob that is a dot, in pixels; null when it is none. */
function middleOfDot(
  { width, pixelsPerPoint }: PaperSample,
  blob: ReadonlyMap<number, number>,
): Vec | null {
  let [area, mx, my] = [0, 0, 0];
  for (const [i, cover] of blob) {
    area += cover;
    mx += cover * ((i % width) + 0.5);
    my += cover * (Math.floor(i / width) + 0.5);
  }
  const diameter = (2 * Math.sqrt(area / Math.PI)) / pixelsPerPoint;
  if (diameter < SMALLEST || diameter > LARGEST) return null;
  const middle = { x: mx / area, y: my / area };
  // A pixel is not a point: it has a variance of a twelfth along each axis.
  let [xx, xy, yy] = [area / 12, 0, area / 12];
  for (const [i, cover] of blob) {
    const [dx, dy] = [(i % width) + 0.5 - middle.x, Math.floor(i / width) + 0.5 - middle.y];
    xx += cover * dx * dx;
    xy += cover * dx * dy;
    yy += cover * dy * dy;
  }
  const [a, b, c] = [xx / area, xy / area, yy / area];
  const root = Math.hypot((a - c) / 2, b);
  const [long, short] = [(a + c) / 2 + root, (a + c) / 2 - root];
  if (!(short > 0) || long > MOST_LONG * short) return null;
  // A disc of radius r has the variance r²/4 along each axis, and the area πr².
  const full = area / (4 * Math.PI * Math.sqrt(long * short));
  return full >= FULL[0] && full <= FULL[1] ? middle : null;
}
