import { add, distance, dot, lerp, scale, subtract, type Vec } from '../geometry/index.ts';
import { type Quad, quadsOf } from './quads.ts';
import type { Print } from './print.ts';

/** A part of a line of print, as a stroke lies on it. */
export interface AlongLine {
  /** Its ends, in the middle of the line's height, in user space. */
  readonly from: Vec;
  readonly to: Vec;
  /** Of the line, points. */
  readonly height: number;
  /** Direction of writing, radians counterclockwise. */
  readonly angle: number;
}

/** All that follows is in heights of the line. A stroke keeps so near to its middle, on the whole and everywhere. */
const NEAR = 0.6;
const NEVER_FARTHER = 1;
/** It is no shorter; and no longer than straight on by this factor, or it is written to and fro. */
const LEAST = 1.2;
const DETOUR = 1.5;
/** So much of it lies beside the line's words, as a share of its length. */
const BESIDE = 0.6;
/** It ends with a word whose edge is so near. */
const EDGE = 0.35;
/** It ends with the line when it goes on beyond it no farther. */
const BEYOND = 1.2;

interface Frame {
  /** Where the line begins, in the middle of its height. */
  readonly at: Vec;
  readonly along: Vec;
  readonly up: Vec;
  readonly length: number;
  readonly height: number;
  readonly angle: number;
  /** Where its words begin and end, along it. */
  readonly edges: readonly number[];
}

const frames = new WeakMap<Print, readonly Frame[]>();

/** The part of a line of print that a stroke runs along; null where it runs along none. */
export function alongLine(print: Print, points: readonly Vec[]): AlongLine | null {
  if (points.length < 2) return null;
  let best: { frame: Frame; off: number } | null = null;
  for (const frame of framesOf(print)) {
    const off = offLine(frame, points);
    if (off !== null && (!best || off < best.off)) best = { frame, off };
  }
  if (!best) return null;
  const { at, along, height, angle } = best.frame;
  const [from, to] = endsOn(best.frame, points).map((u) => add(at, scale(along, u)));
  return { from, to, height, angle };
}

/** How far a stroke is off a line on the whole, in its heights; null where it does not run along it. */
function offLine(frame: Frame, points: readonly Vec[]): number | null {
  const { length, height } = frame;
  let sum = 0;
  let way = 0;
  let [least, most] = [Infinity, -Infinity];
  for (let k = 0; k < points.length; k++) {
    const from = subtract(points[k], frame.at);
    const off = Math.abs(dot(from, frame.up)) / height;
    if (off > NEVER_FARTHER) return null;
    const u = dot(from, frame.along);
    least = Math.min(least, u);
    most = Math.max(most, u);
    sum += off;
    if (k > 0) way += distance(points[k], points[k - 1]);
  }
  const extent = most - least;
  const beside = Math.min(most, length) - Math.max(least, 0);
  const isAlong =
    extent >= LEAST * height && way <= DETOUR * extent + height && beside >= BESIDE * extent;
  const mean = sum / points.length;
  return isAlong && mean <= NEAR ? mean : null;
}

/** Where a stroke begins and ends along a line: with a word, or with the line, where that is near. */
function endsOn({ at, along, length, height, edges }: Frame, points: readonly Vec[]): number[] {
  const places = points.map((p) => dot(subtract(p, at), along));
  const settled = (u: number): number => {
    if (u < 0) return u > -BEYOND * height ? 0 : u;
    if (u > length) return u < length + BEYOND * height ? length : u;
    const edge = edges.reduce((a, b) => (Math.abs(b - u) < Math.abs(a - u) ? b : a), Infinity);
    return Math.abs(edge - u) <= EDGE * height ? edge : u;
  };
  return [settled(Math.min(...places)), settled(Math.max(...places))];
}

function framesOf(print: Print): readonly Frame[] {
  let known = frames.get(print);
  if (!known) {
    const words = print.lines.map((): Quad[] => []);
    for (const word of print.words) words[word.line]?.push(...quadsOf(print, word));
    known = print.lines.flatMap((line, k): Frame[] => {
      const [quad] = quadsOf(print, line);
      const frame = quad && frameOf(quad, line.angle, words[k]);
      return frame ? [frame] : [];
    });
    frames.set(print, known);
  }
  return known;
}

function frameOf(quad: Quad, angle: number, words: readonly Quad[]): Frame | null {
  const [headStart, headEnd, footStart, footEnd] = quad;
  const [length, height] = [distance(headStart, headEnd), distance(headStart, footStart)];
  if (!(length > 0 && height > 0)) return null;
  const at = lerp(headStart, footStart, 0.5);
  const along = scale(subtract(headEnd, headStart), 1 / length);
  const up = scale(subtract(headStart, footStart), 1 / height);
  const edges = [...words, [headStart, headEnd, footStart, footEnd] as const].flatMap(
    ([start, end]) => [dot(subtract(start, at), along), dot(subtract(end, at), along)],
  );
  return { at, along, up, length, height, angle, edges };
}
