import type { Vec } from '../geometry/index.ts';
import type { Edges } from './edges.ts';
import { type SmallPicture, softened } from './pixels.ts';

/** A line along which a picture becomes brighter to one side: points p with cos(angle)·x + sin(angle)·y = off, brighter where that is more. */
export interface SideLine {
  /** Of its normal, radians. */
  readonly angle: number;
  readonly off: number;
}

const DEGREE = Math.PI / 180;
/** Pixels a bin of distances, and turns of a pixel's own slope that it may belong to, degrees. */
const BIN = 1.5;
const SWAY = 8;
/** Steeper counts no more: the print of a cloth is steeper than the side of a sheet. */
const ENOUGH = 10;
/** Of two lines that are nearer the better one stays: degrees, bins. */
const NEAR = 3;
/** So many are looked at. */
const MOST = 400;

/** Lines that many pixels lie on whose slope crosses them (Hough transform by the slope: Ballard, Pattern Recognition 13, 1981), the clearest first. */
export function sideLines({ width, height, steep, angle, crest }: Edges): SideLine[] {
  const longest = Math.hypot(width, height);
  const bins = Math.ceil((2 * longest) / BIN) + 1;
  const votes = new Float32Array(360 * bins);
  const directions = Array.from({ length: 360 }, (_, k) => [
    Math.cos(k * DEGREE),
    Math.sin(k * DEGREE),
  ]);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const k = y * width + x;
      if (!crest[k]) continue;
      const turn = Math.round(angle[k] / DEGREE) + 360;
      const weight = Math.min(ENOUGH, steep[k]);
      for (let d = -SWAY; d <= SWAY; d++) {
        const a = (turn + d) % 360;
        const off = x * directions[a][0] + y * directions[a][1];
        votes[a * bins + Math.round((off + longest) / BIN)] += weight;
      }
    }
  const peaks: { readonly votes: number; readonly a: number; readonly bin: number }[] = [];
  const least = 0.04 * Math.min(width, height) * ENOUGH;
  for (let a = 0; a < 360; a++)
    for (let bin = 1; bin < bins - 1; bin++) {
      const count = votes[a * bins + bin];
      if (count >= least && isPeak(votes, bins, a, bin)) peaks.push({ votes: count, a, bin });
    }
  peaks.sort((p, q) => q.votes - p.votes);
  return peaks
    .slice(0, MOST)
    .map(({ a, bin }) => ({ angle: a * DEGREE, off: bin * BIN - longest }));
}

function isPeak(votes: Float32Array, bins: number, a: number, bin: number): boolean {
  const own = votes[a * bins + bin];
  for (let da = -NEAR; da <= NEAR; da++)
    for (let d = -NEAR; d <= NEAR; d++) {
      if (da === 0 && d === 0) continue;
      const there = bin + d;
      if (there < 0 || there >= bins) continue;
      const other = votes[((a + da + 360) % 360) * bins + there];
      // Of equals the first.
      if (other > own || (other === own && (da < 0 || (da === 0 && d < 0)))) return false;
    }
  return true;
}

/** How much a line looks like the side of a sheet, at each of its steps. */
export interface SideMeasure {
  readonly line: SideLine;
  /** Sums over its steps from its beginning, of how much it looks like one: 1 a step at most. */
  readonly sums: Float32Array;
  /** Its point at a step 0, its direction, and pixels a step. */
  readonly from: Vec;
  readonly along: Vec;
  readonly step: number;
  /** Of all of it, what is above the ordinary. */
  readonly worth: number;
}

/** Pixels between steps; how far off a line its edge may lie; how far to its sides the sheet and what lies beneath are looked at. */
const STEP = 2;
const OFF = 2;
const ASIDE = 6;
/** Levels by which a sheet is whiter than what it lies on, to be sure; a sheet is no steeper than this beside its edge. */
const WHITER = 30;
const BLANK = 4;
const [EDGE, CONTRAST, EMPTY] = [0.5, 0.3, 0.2];
const ORDINARY = 0.4;
/** cos of how far the slope may turn from the line's normal. */
const AGREES = Math.cos(25 * DEGREE);

/** Measures lines on a picture. */
export class Sides {
  /** The least of a pixel's colours: high where it is bright and has no hue. */
  private readonly white: Float32Array;

  constructor(
    private readonly edges: Edges,
    { width, height, channels }: SmallPicture,
  ) {
    const [r, g, b] = channels;
    const least = r.map((v, k) => Math.min(v, g[k], b[k]));
    this.white = softened(least, width, height, 1.5);
  }

  measure(line: SideLine): SideMeasure {
    const { width, height } = this.edges;
    const normal = { x: Math.cos(line.angle), y: Math.sin(line.angle) };
    const along = { x: -normal.y, y: normal.x };
    const longest = Math.hypot(width, height);
    const from = {
      x: normal.x * line.off - along.x * longest,
      y: normal.y * line.off - along.y * longest,
    };
    const count = Math.ceil((2 * longest) / STEP);
    const sums = new Float32Array(count + 1);
    let worth = 0;
    for (let k = 0; k < count; k++) {
      const value = this.at(
        from.x + along.x * STEP * k,
        from.y + along.y * STEP * k,
        normal,
        line.angle,
      );
      sums[k + 1] = sums[k] + value;
      worth += Math.max(0, value - ORDINARY);
    }
    return { line, sums, from, along, step: STEP, worth };
  }

  private at(x: number, y: number, normal: Vec, angle: number): number {
    const { width, height, steep, crest } = this.edges;
    const index = (aside: number): number => {
      const px = Math.round(x + aside * normal.x);
      const py = Math.round(y + aside * normal.y);
      return px < 0 || py < 0 || px >= width || py >= height ? -1 : py * width + px;
    };
    if (index(0) < 0) return 0;
    let edge = 0;
    for (let off = -OFF; off <= OFF && !edge; off++) {
      const k = index(off);
      if (k >= 0 && crest[k] && Math.cos(this.edges.angle[k] - angle) > AGREES) edge = 1;
    }
    const [inside, outside] = [index(ASIDE), index(-ASIDE)];
    if (inside < 0 || outside < 0) return EDGE * edge;
    const whiter = (this.white[inside] - this.white[outside]) / WHITER;
    const isBlank = steep[inside] < BLANK && steep[index(ASIDE - 2)] < BLANK;
    return EDGE * edge + CONTRAST * Math.max(-1, Math.min(1, whiter)) + EMPTY * (isBlank ? 1 : 0);
  }
}

/** How much a line looks like the side of a sheet between two of its points, 0–1. */
export function meanBetween({ sums, from, along, step }: SideMeasure, a: Vec, b: Vec): number {
  const at = (p: Vec): number =>
    Math.round(((p.x - from.x) * along.x + (p.y - from.y) * along.y) / step);
  const [first, last] = [at(a), at(b)].sort((p, q) => p - q);
  const [low, high] = [Math.max(0, first), Math.min(sums.length - 1, last)];
  return last <= first ? 0 : (sums[high] - sums[low]) / (last - first);
}
