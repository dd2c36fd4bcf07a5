import {
  angleAt,
  cross,
  degrees,
  distance,
  polylineLength,
  resamplePolyline,
  subtract,
  type Vec,
} from '../geometry/index.ts';
import type { Candidate } from './candidate.ts';
import type { Figure } from './figure.ts';
import { spanOf } from './fitLine.ts';

/** Points of a loop that is looked at: bulges are small parts of it. */
const POINTS = 240;
/** The ends of a cloud are apart by at most this share of its length. */
const WIDEST_GAP = 0.12;
/** A turn is felt over so many points to either side, and a notch between bulges turns inwards by more than this. */
const FEEL = 4;
const NOTCH = degrees(38);
/** A cloud has so many bulges at least; more than these are a scribble. */
const FEWEST = 5;
const MOST = 28;
/** A bulge stands out by this share of its chord, and is so even: its longest is so many times its shortest. */
const HEIGHT = [0.14, 1.1] as const;
const UNEVEN = 6;
/** One in so many may have come out flat, or pointed. */
const NEARLY_ALL = 0.8;
/** Of all the turning of a bulge no more than this is in one place: tips of stars have all of theirs there. */
const TIP = 0.62;
/** Hardly anything else has this shape by chance. */
const FREEDOMS = 4;

/** The cloud that a stroke may be: a loop of bulges with a notch between each and the next. */
export function readCloud(stroke: readonly Vec[]): Candidate[] {
  const loop = loopOf(stroke);
  if (!loop) return [];
  const notches = notchesOf(loop);
  if (notches.length < FEWEST || notches.length > MOST) return [];
  const outwards = Math.sign(areaOf(loop));
  const bulges = notches.map((from, k) => pieceOf(loop, from, notches[(k + 1) % notches.length]));
  const chords = bulges.map((piece) => distance(piece[0], piece[piece.length - 1]));
  if (Math.max(...chords) > UNEVEN * Math.min(...chords)) return [];
  const round = bulges.filter((piece, k) => isBulge(piece, chords[k], outwards)).length;
  if (round < FEWEST || round < NEARLY_ALL * bulges.length) return [];
  const figure: Figure = { kind: 'cloud', corners: notches.map((i) => loop[i]) };
  return [{ figure, stray: strayOf(bulges) / spanOf(loop), freedoms: FREEDOMS }];
}

/** How far bulges stray from bows of their own heights, points rms: a cloud is drawn with bulges of its own size. */
function strayOf(bulges: readonly (readonly Vec[])[]): number {
  let sum = 0;
  let count = 0;
  for (const piece of bulges) {
    const [from, to] = [piece[0], piece[piece.length - 1]];
    const along = subtract(to, from);
    const chord = Math.hypot(along.x, along.y);
    const heights = piece.map((p) => cross(along, subtract(p, from)) / chord);
    const height = heights.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
    piece.forEach((_, i) => {
      const u = i / (piece.length - 1);
      sum += (heights[i] - height * Math.sqrt(Math.max(0, 1 - (2 * u - 1) ** 2))) ** 2;
      count++;
    });
  }
  return Math.sqrt(sum / count);
}

/** Evenly spaced points around the loop; null when it does not close. */
function loopOf(stroke: readonly Vec[]): Vec[] | null {
  const gap = distance(stroke[0], stroke[stroke.length - 1]);
  if (gap > WIDEST_GAP * polylineLength(stroke)) return null;
  return resamplePolyline([...stroke, stroke[0]], POINTS + 1).slice(0, POINTS);
}

const areaOf = (loop: readonly Vec[]): number =>
  loop.reduce((sum, p, i) => sum + cross(p, loop[(i + 1) % loop.length]), 0);

/** By how much the loop turns at a point, radians, inwards negative. */
function turnAt(loop: readonly Vec[], i: number, outwards: number): number {
  const n = loop.length;
  const [a, b, c] = [loop[(i + n - FEEL) % n], loop[i], loop[(i + FEEL) % n]];
  return (Math.PI - angleAt(a, b, c)) * Math.sign(cross(subtract(b, a), subtract(c, b))) * outwards;
}

/** Where the loop turns inwards most, each once. */
function notchesOf(loop: readonly Vec[]): number[] {
  const outwards = Math.sign(areaOf(loop));
  const n = loop.length;
  const turns = loop.map((_, i) => turnAt(loop, i, outwards));
  return loop.flatMap((_, i) => {
    if (turns[i] > -NOTCH) return [];
    for (let k = 1; k <= FEEL; k++) {
      const [before, after] = [turns[(i + n - k) % n], turns[(i + k) % n]];
      if (before <= turns[i] || after < turns[i]) return [];
    }
    return [i];
  });
}

function pieceOf(loop: readonly Vec[], from: number, to: number): Vec[] {
  const n = loop.length;
  const count = (to - from + n) % n;
  return Array.from({ length: count + 1 }, (_, k) => loop[(from + k) % n]);
}

/** Whether a piece between two notches is round, and stands out. */
function isBulge(piece: readonly Vec[], chord: number, outwards: number): boolean {
  if (piece.length < 5 || chord === 0) return false;
  const [from, to] = [piece[0], piece[piece.length - 1]];
  const along = subtract(to, from);
  const height = Math.max(
    ...piece.map((p) => (-outwards * cross(along, subtract(p, from))) / chord),
  );
  if (height < HEIGHT[0] * chord || height > HEIGHT[1] * chord) return false;
  const turns = piece.slice(1, -1).map((p, k) => Math.PI - angleAt(piece[k], p, piece[k + 2]));
  const whole = turns.reduce((a, b) => a + b, 0);
  const inOne = Math.max(
    ...turns.map((_, k) => turns.slice(Math.max(0, k - 1), k + 2).reduce((a, b) => a + b, 0)),
  );
  return inOne < TIP * whole;
}
