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

/** Half the width of the ink at a sample, with the pen's tilt. */
export function radiusAt(nib: Nib, s: InkSample): number {
  const radius = inkRadius(nib, s.pressure);
  if (!nib.tiltWidening || s.tiltX === undefined || s.tiltY === undefined) return radius;
  const lean = 1 - altitudeOf(s.tiltX, s.tiltY) / (Math.PI / 2);
  return radius * (1 + nib.tiltWidening * WIDEST_BY_TILT * lean);
}
