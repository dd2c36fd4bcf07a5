import {
  angleAt,
  cross,
  distance,
  polylineLength,
  resamplePolyline,
  subtract,
  type Vec,
  degrees,
} from '../geometry/index.ts';
import { type Candidate, candidateFor, costOf } from './candidate.ts';
import { cornersOf, LEAST_BLUNT, openCorners, openTurns } from './corners.ts';
import { crossOf } from './crossing.ts';
import type { Figure } from './figure.ts';
import { fitLine, offsetFrom, onLine, spanOf } from './fitLine.ts';
import { readBrace } from './readBrace.ts';
import { readArc } from './readRound.ts';
import { straightPieces } from './straightPieces.ts';
import { isWave } from './wave.ts';

/** A line is at most this much longer than the way from end to end. */
const MOST_DETOUR = 1.12;
const COARSE = 14;
const MOST_PIECES = 6;
/** What has more pieces than that is a scribble; so many are looked for. */
const SCRIBBLED = 12;
/** A corner of a line of straight pieces turns by more than this. */
const LEAST_TURN = degrees(32);
/** What blunt corners cost, in freedoms: they must explain the ink that much better. */
const BLUNT = 6;
/** A piece is at least this share of the whole. */
const SHORTEST_PIECE = 0.05;
/** The shorter arm of a tick is this share of the longer one; the angle between them. */
const TICK_ARMS = [0.15, 0.75] as const;
const TICK_ANGLE = [degrees(25), degrees(86)] as const;
/** When it stands as ticks do, its angle may be wider. */
const UPRIGHT_TICK_ANGLE = degrees(108);
/** The arms of an L are upright and flat within this, and so is its right angle. */
const L_SQUARE = degrees(14);
/** The arms of a bracket: at most this share of its back, one at least this share of the other, at nearly right angles. */
const LONGEST_ARM = 0.62;
const EVEN_ARMS = 0.45;
const RIGHT = [degrees(62), degrees(118)] as const;

/** What an open stroke of evenly spaced points may be: families of like figures, the most regular first. */
export function readOpen(points: readonly Vec[]): Candidate[][] {
  if (isWave(points)) return [];
  return [readLine(points), readArc(points), readBrace(points), ...pieced(points)].filter(
    (family) => family.length > 0,
  );
}

/** The straight line that points may be. */
export function readLine(points: readonly Vec[]): Candidate[] {
  const first = points[0];
  const last = points[points.length - 1];
  const chord = distance(first, last);
  // Looked at coarsely, so that a trembling line is not taken for a longer one.
  if (chord === 0 || polylineLength(resamplePolyline(points, COARSE)) > MOST_DETOUR * chord)
    return [];
  const line = fitLine(points);
  const stray = strayOf(points.map((p) => offsetFrom(line, p)));
  const figure: Figure = { kind: 'line', from: onLine(line, first), to: onLine(line, last) };
  return [{ figure, stray: stray / spanOf(points), freedoms: 4 }];
}

const strayOf = (offsets: readonly number[]): number =>
  Math.sqrt(offsets.reduce((sum, d) => sum + d * d, 0) / offsets.length);

/** Lines of two and more straight pieces. */
function pieced(points: readonly Vec[]): Candidate[][] {
  const whole = polylineLength(points);
  const span = spanOf(points);
  const families: Candidate[][] = [];
  let scribbled = Infinity;
  for (const { cuts } of straightPieces(points, SCRIBBLED).slice(1)) {
    const corners = openCorners(points, cuts);
    const isEven = corners
      .slice(1)
      .every((p, k) => distance(p, corners[k]) > SHORTEST_PIECE * whole);
    const turns = openTurns(corners);
    const at = (i: number): Vec => points[Math.min(points.length - 1, Math.max(0, i))];
    if (!isEven || turns.some((turn) => turn < LEAST_TURN)) continue;
    if (corners.length - 1 > MOST_PIECES) {
      const many = candidateFor({ kind: 'polyline', corners }, points, 2 * corners.length);
      scribbled = Math.min(scribbled, costOf(many));
      continue;
    }
    const found = cuts.slice(1, -1).map((cut, k) => ({
      cut,
      shorter: Math.min(cut - cuts[k], cuts[k + 2] - cut),
    }));
    const special =
      corners.length === 3
        ? tickOf(corners)
        : corners.length === 4
          ? (crossOfThree(corners) ?? bracketOf(corners))
          : null;
    // Ticks and brackets are known by their shape, however round their corners are.
    const figures: Figure[] = special ? [special] : [];
    const cornered = cornersOf(at, found, turns);
    if (cornered === 'sharp' || (cornered === 'blunt' && span > LEAST_BLUNT))
      figures.push({ kind: 'polyline', corners });
    const freedoms = 2 * corners.length + (cornered === 'blunt' ? BLUNT : 0);
    const drawn = candidateFor({ kind: 'polyline', corners }, points, freedoms);
    families.push(
      figures.map((figure) =>
        // On the way from a cross's first line to its second the pen only did not leave the paper.
        figure.kind === 'cross' ? { ...drawn, figure } : candidateFor(figure, points, freedoms),
      ),
    );
  }
  const isScribble = scribbled < Math.min(...families.flat().map(costOf));
  const isPolyline = ({ figure }: Candidate): boolean => figure.kind === 'polyline';
  return isScribble ? families.map((family) => family.filter((c) => !isPolyline(c))) : families;
}

/** The tick that two pieces make: a short arm and a longer one at a narrow angle. */
function tickOf(corners: readonly Vec[]): Figure | null {
  const [a, b, c] = corners;
  const [one, other] = [distance(a, b), distance(b, c)];
  const [short, long] = one < other ? [a, c] : [c, a];
  const ratio = Math.min(one, other) / Math.max(one, other);
  const angle = angleAt(a, b, c);
  const stands = long.y > b.y && short.y > b.y - 0.2 * one && long.y > short.y;
  const widest = stands ? UPRIGHT_TICK_ANGLE : TICK_ANGLE[1];
  // An upright arm and a flat one at a right angle are an L.
  if (
    liesAlong(subtract(a, b)) &&
    liesAlong(subtract(c, b)) &&
    Math.abs(angle - Math.PI / 2) < L_SQUARE
  )
    return null;
  if (ratio < TICK_ARMS[0] || ratio > TICK_ARMS[1] || angle < TICK_ANGLE[0] || angle > widest)
    return null;
  return { kind: 'tick', corners: [a, b, c] };
}

/** Whether a direction is upright or flat. */
function liesAlong({ x, y }: Vec): boolean {
  const off = Math.abs(Math.atan2(y, x)) % (Math.PI / 2);
  return Math.min(off, Math.PI / 2 - off) < L_SQUARE;
}

/** A cross whose second line begins where the pen came from the end of the first one. */
const crossOfThree = ([a, b, c, d]: readonly Vec[]): Figure | null =>
  crossOf({ from: a, to: b }, { from: c, to: d });

/** The bracket that three pieces make: a back with two short arms to one side. */
function bracketOf(corners: readonly Vec[]): Figure | null {
  const [a, b, c, d] = corners;
  const back = distance(b, c);
  const arms = [distance(a, b), distance(c, d)];
  const angles = [angleAt(a, b, c), angleAt(b, c, d)];
  const side = (p: Vec): number => Math.sign(cross(subtract(c, b), subtract(p, b)));
  const isRight = angles.every((angle) => angle > RIGHT[0] && angle < RIGHT[1]);
  const isShort = Math.max(...arms) < LONGEST_ARM * back;
  if (!isRight || !isShort || Math.min(...arms) / Math.max(...arms) < EVEN_ARMS) return null;
  if (side(a) !== side(d)) return null;
  const arm = (arms[0] + arms[1]) / 2;
  const along = subtract(c, b);
  const out = { x: (-along.y / back) * side(a) * arm, y: (along.x / back) * side(a) * arm };
  const from = { x: b.x + out.x, y: b.y + out.y };
  const to = { x: c.x + out.x, y: c.y + out.y };
  // The back lies on the other side of the open ends than the arms go.
  return { kind: 'bracket', from, to, depth: -side(a) * arm };
}
