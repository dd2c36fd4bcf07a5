import type { InkSample } from './sample.ts';
import { altitudeOf } from './tilt.ts';

/** How a nib answers the hand. */
export interface NibManner {
  /** How much pressure changes the width: 0 not at all, 1 from nothing to double. */
  readonly thinning: number;
  /** Exponent of the pressure's response: 1 as measured, below 1 a light hand counts more, above 1 less. */
  readonly response: number;
  /** How much a flat-held pen widens the line: 0 not at all, 1 to three times at the flattest. */
  readonly tiltWidening: number;
  /** How much the paper's grain roughens the line: 0 not at all, 1 down to nothing in its hollows. */
  readonly grain: number;
  /** Length over which both ends run to a point, in widths; 0 leaves them round. */
  readonly taper: number;
  /** A nib with an edge instead of a round tip; null is round. */
  readonly edge: NibEdge | null;
}

/** The edge of a chisel nib. */
export interface NibEdge {
  /** Direction of the edge, radians anticlockwise from the page's x axis. */
  readonly angle: number;
  /** Thickness of the edge as a share of its length, 0.1–1. */
  readonly flatness: number;
}

/** What touches the paper; manners left out are plain. */
export interface Nib extends Partial<NibManner> {
  /** Width at middling pressure (0.5), points. */
  readonly width: number;
}

export const PLAIN_NIB: NibManner = {
  thinning: 0,
  response: 1,
  tiltWidening: 0,
  grain: 0,
  taper: 0,
  edge: null,
};

/** Points in a millimetre. */
export const POINTS_PER_MM = 72 / 25.4;
/** The response's exponent can be set between these. */
export const RESPONSE_RANGE = { least: 0.3, most: 3 } as const;

/** No pen leaves less than a tenth of its width, so that light strokes never break up. */
const LEAST_SHARE = 0.1;
/** What a pen held flat adds at most, in widths. */
const WIDEST_BY_TILT = 2;

/** Pressure after the nib's response, 0–1. */
export const respond = (pressure: number, response: number): number =>
  Math.min(1, Math.max(0, pressure)) ** response;

/** Half the width of the ink at `pressure` (0–1), for a pen held upright, points. */
export function inkRadius(nib: Nib, pressure: number): number {
  const { thinning = 0, response = 1 } = nib;
  const share = 1 + thinning * (2 * respond(pressure, response) - 1);
  return (nib.width / 2) * Math.max(LEAST_SHARE, share);
}

/** Side of the squares that the paper's grain changes over, points. */
const GRAIN = 0.9;

/** How far the paper lies beneath a dry point, 0–1: the same at the same place, whatever passes over it. */
function grainAt({ x, y }: InkSample): number {
  const [u, v] = [x / GRAIN, y / GRAIN];
  const [i, j] = [Math.floor(u), Math.floor(v)];
  const [a, b] = [u - i, v - j];
  const above = hollow(i, j) * (1 - a) + hollow(i + 1, j) * a;
  const below = hollow(i, j + 1) * (1 - a) + hollow(i + 1, j + 1) * a;
  return above * (1 - b) + below * b;
}

/** A number from 0 to 1 for a corner of the squares, without a pattern one sees. */
function hollow(i: number, j: number): number {
  let h = Math.imul(i, 374_761_393) ^ Math.imul(j, 668_265_263);
  h = Math.imul(h ^ (h >>> 13), 1_274_126_177);
  return ((h ^ (h >>> 16)) >>> 0) / 0xffffffff;
}

/** Half the width of the ink at a sample, with the pen's tilt. */
export function radiusAt(nib: Nib, s: InkSample): number {
  const smooth = inkRadius(nib, s.pressure);
  const radius = nib.grain ? smooth * (1 - nib.grain * grainAt(s)) : smooth;
  if (!nib.tiltWidening || s.tiltX === undefined || s.tiltY === undefined) return radius;
  const lean = 1 - altitudeOf(s.tiltX, s.tiltY) / (Math.PI / 2);
  return radius * (1 + nib.tiltWidening * WIDEST_BY_TILT * lean);
}
