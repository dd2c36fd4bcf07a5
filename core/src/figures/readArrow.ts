import {
  angleAt,
  cross,
  distance,
  resamplePolyline,
  subtract,
  type Vec,
  degrees,
} from '../geometry/index.ts';
import { type Candidate, confidenceOf, costOf, strayOf } from './candidate.ts';
import type { Figure } from './figure.ts';
import { curveAt, fitCurve } from './fitCurve.ts';
import { spanOf } from './fitLine.ts';
import { readLine, readOpen } from './readOpen.ts';

/** Points of a shaft that is read. */
const POINTS = 60;
/** Root mean square stray of a head from its barbs, in shares of its span. */
const HEAD_STRAY = 0.14;
/** Strokes of a head come so near to the shaft's end, in shares of the head. */
const TIP_REACH = 0.42;
/** A barb is at most this share of the shaft, and the shorter barb at least this share of the longer. */
const LONGEST_BARB = 0.62;
const EVEN_BARBS = 0.42;
const BARB_ANGLES = [degrees(10), degrees(82)] as const;
/** In one stroke the pen turns back at the tip by more than this. */
const TURNED_BACK = degrees(100);
/** The turn is felt over this share of the stroke; when there is none, over the next: a quick pen rounds it off. */
const TURN_SHARES = [1 / 40, 1 / 20];
/** And the head is at most this share of the stroke. */
const LONGEST_HEAD = 0.66;
/** A shaft that bows less than this share of its length is straight. */
const LEAST_BOW = 0.07;
/** One that bows less than this may be meant straight; so it is, in doubt, when the line is as sure as this. */
const BOWED = 0.1;
const SURELY_STRAIGHT = 0.7;
const CHORDS = 24;
/** The shaft's direction is felt over this share of it. */
const FEEL = 0.25;

/** An arrow of any shaft, in one stroke or in several: the likeliest family, or none. */
export function readArrow(strokes: readonly (readonly Vec[])[]): Candidate[][] {
  return strokes.length === 1
    ? [...inOneStroke(strokes[0]), ...inOneStroke([...strokes[0]].reverse())]
    : inStrokes(strokes);
}

/** The head's size when `strokes` are its barbs, one on each side of a shaft that comes from one of `froms`; null when not. */
function headAt(
  tip: Vec,
  froms: readonly Vec[],
  length: number,
  strokes: readonly (readonly Vec[])[],
): number | null {
  const points = strokes.flat();
  const size = Math.max(...points.map((p) => distance(p, tip)));
  if (size === 0 || size > LONGEST_BARB * length) return null;
  if (!strokes.every((s) => nearest(s, tip) < TIP_REACH * size)) return null;
  for (const from of froms) {
    const head = headFrom(tip, from, points, size);
    if (head !== null) return head;
  }
  return null;
}

/** The same, seen from a place `from` of the shaft. */
function headFrom(tip: Vec, from: Vec, points: readonly Vec[], size: number): number | null {
  const back = subtract(from, tip);
  const [left, right] = [1, -1].map((side) => {
    let far = tip;
    for (const p of points)
      if (side * cross(back, subtract(p, tip)) > 0 && distance(p, tip) > distance(far, tip))
        far = p;
    return far;
  });
  const fits = [left, right].every((p) => {
    const angle = angleAt(from, tip, p);
    return distance(p, tip) > EVEN_BARBS * size && angle > BARB_ANGLES[0] && angle < BARB_ANGLES[1];
  });
  // The head may be closed by a line from barb to barb.
  if (!fits || strayOf(points, [[left, tip, right, left]]) > HEAD_STRAY) return null;
  return (distance(left, tip) + distance(right, tip)) / 2;
}

const leastCost = (family: readonly Candidate[]): number => Math.min(...family.map(costOf));

/** Shaft, tip, barb, tip, barb; or shaft, barb, across, barb. */
function inOneStroke(points: readonly Vec[]): Candidate[][] {
  for (const share of TURN_SHARES) {
    const families = turningAt(points, Math.max(2, Math.floor(share * points.length)));
    if (families.length > 0) return families;
  }
  return [];
}

/** The same, where the turn at the tip is felt over `reach` points. */
function turningAt(points: readonly Vec[], reach: number): Candidate[][] {
  const n = points.length;
  for (let i = Math.floor(n * (1 - LONGEST_HEAD)); i < n - 3; i++) {
    const before = points[Math.max(0, i - reach)];
    const after = points[Math.min(n - 1, i + reach)];
    if (Math.PI - angleAt(before, points[i], after) < TURNED_BACK) continue;
    // The turn is felt over some points: the tip is the one farthest out.
    let tip = i;
    const back = points[Math.floor(i * (1 - FEEL))];
    for (let k = i; k < Math.min(n, i + 2 * reach); k++)
      if (distance(points[k], back) > distance(points[tip], back)) tip = k;
    const shaft = points.slice(0, tip + 1);
    const size = headAt(points[tip], [back, points[0]], distance(points[tip], points[0]), [
      points.slice(tip),
    ]);
    if (size !== null) return shafts(shaft, size, 0);
    i = tip;
  }
  return [];
}

/** The longest stroke is the shaft; the others are heads at one of its ends or at both. */
function inStrokes(strokes: readonly (readonly Vec[])[]): Candidate[][] {
  if (strokes.length > 5) return [];
  const [shaft, ...rest] = [...strokes].sort((a, b) => spanOf(b) - spanOf(a));
  const from = shaft[0];
  const to = shaft[shaft.length - 1];
  const length = spanOf(shaft);
  const nearTo = rest.filter((s) => nearest(s, to) < nearest(s, from));
  const nearFrom = rest.filter((s) => !nearTo.includes(s));
  const at = (tip: Vec, felt: readonly Vec[], heads: readonly (readonly Vec[])[]): number | null =>
    heads.length === 0 ? 0 : headAt(tip, felt, length, heads);
  const head = at(to, [shaft[Math.floor(shaft.length * (1 - FEEL))], from], nearTo);
  const tail = at(from, [shaft[Math.floor(shaft.length * FEEL)], to], nearFrom);
  if (head === null || tail === null) return [];
  return head > 0 ? shafts(shaft, head, tail) : shafts([...shaft].reverse(), tail, 0);
}

const nearest = (points: readonly Vec[], p: Vec): number =>
  Math.min(...points.map((q) => distance(p, q)));

/** The line, curve or line of pieces that a shaft is, with its heads; the best first. */
function shafts(shaft: readonly Vec[], head: number, tail: number): Candidate[][] {
  const points = resamplePolyline(shaft, POINTS);
  const [straight] = readLine(points).map(({ figure, ...rest }): Candidate => {
    if (figure.kind !== 'line') throw new Error('A line is read as a line.');
    const { from, to } = figure;
    return { figure: { kind: 'arrow', from, to, head, tail }, ...rest };
  });
  const found: Candidate[][] = straight ? [[straight]] : [];
  const controls = fitCurve(points);
  const bow = bowOf(points);
  if (controls && (!straight || bow > LEAST_BOW)) {
    const figure: Figure = { kind: 'curve', points: controls, head, tail };
    const curve = { figure, stray: strayOf(points, [coarse(controls)]), freedoms: 8 };
    // In doubt straight: most arrows are meant so, and a wrist bows them.
    if (straight && bow < BOWED && confidenceOf(straight) > SURELY_STRAIGHT) found[0].push(curve);
    else found.push([curve]);
  }
  for (const { figure, ...rest } of readOpen(points).flat())
    if (figure.kind === 'polyline') found.push([{ figure: { ...figure, head, tail }, ...rest }]);
  return found.sort((a, b) => leastCost(a) - leastCost(b)).slice(0, 2);
}

/** Enough of a curve to tell how far points stray from it. */
const coarse = (controls: readonly [Vec, Vec, Vec, Vec]): Vec[] =>
  Array.from({ length: CHORDS + 1 }, (_, k) => curveAt(controls, k / CHORDS));

/** How far a line bows out from the way between its ends, in shares of that way. */
function bowOf(points: readonly Vec[]): number {
  const [a, b] = [points[0], points[points.length - 1]];
  const chord = subtract(b, a);
  const long = distance(a, b);
  return Math.max(...points.map((p) => Math.abs(cross(chord, subtract(p, a))))) / (long * long);
}
