import type { RawPrint } from './rawPrint.ts';

/** A direction of writing: unit vectors along the line, and up from it. */
export interface Frame {
  readonly along: { readonly x: number; readonly y: number };
  readonly up: { readonly x: number; readonly y: number };
  /** Radians counterclockwise. */
  readonly angle: number;
}

/** The characters of a page, each in the frame of its direction: u along the line, v up from it. Numbers stand for characters. */
export interface Glyphs {
  readonly raw: RawPrint;
  readonly frames: readonly Frame[];
  readonly frame: Uint16Array;
  /** What it takes of the line, u. */
  readonly from: Float64Array;
  readonly to: Float64Array;
  /** What it takes across the line, v. */
  readonly foot: Float64Array;
  readonly head: Float64Array;
  /** Where it stands, v. */
  readonly base: Float64Array;
}

/** Directions nearer than this are one, radians. */
const SAME = Math.PI / 180;
/** The foot and head of slanting type in shares of its size, as most faces have them. */
const FOOT = 0.22;
const HEAD = 0.78;
/** Nearer to the diagonal than this (cos² − sin²) the box around a character does not tell its width. */
const DIAGONAL = 0.2;
/** Below its middle, where characters written from the top down are taken to stand, in shares of the size. */
const UNDER_MIDDLE = 0.28;
/** From here on Unicode has scripts that are also written from the top down (CJK Radicals Supplement). */
const FIRST_CJK = 0x2e80;
/** Steps from one to the next beneath it, in shares of the size. */
const STEP_DOWN = [0.7, 1.8] as const;
const ASIDE = 0.3;

export const isSpace = (code: number): boolean =>
  code === 0x20 || code === 0xa0 || (code >= 0x2000 && code <= 0x200b) || code === 0x3000;

/** Puts every character in the frame of the direction it is written in. */
export function glyphsOf(raw: RawPrint): Glyphs {
  const n = raw.codes.length;
  const frames: Frame[] = [];
  const glyphs: Glyphs = {
    raw,
    frames,
    frame: new Uint16Array(n),
    from: new Float64Array(n),
    to: new Float64Array(n),
    foot: new Float64Array(n),
    head: new Float64Array(n),
    base: new Float64Array(n),
  };
  /** Which frame a direction has, by its steps of {@link SAME}. */
  const numbers = new Map<number, number>();
  const numberOf = (angle: number): number => {
    const steps = Math.round(turned(angle) / SAME);
    const number = numbers.get(steps) ?? frames.push(frameAt(steps * SAME)) - 1;
    numbers.set(steps, number);
    return number;
  };
  // Most characters are written the way the one before was.
  let last = NaN;
  let number = 0;
  let frame = frames[0];
  let isAlongAxis = true;
  for (let i = 0; i < n; i++) {
    const isDown = raw.codes[i] >= FIRST_CJK && isWrittenDown(raw, i);
    const angle = isDown ? -Math.PI / 2 : raw.angles[i];
    if (angle !== last) {
      last = angle;
      number = numberOf(angle);
      frame = frames[number];
      isAlongAxis = frame.along.x === 0 || frame.along.y === 0;
    }
    glyphs.frame[i] = number;
    if (isAlongAxis) placeAlongAxis(glyphs, frame, i);
    else placeSlanting(glyphs, frame, i);
    if (isDown)
      glyphs.base[i] = (glyphs.foot[i] + glyphs.head[i]) / 2 - UNDER_MIDDLE * raw.sizes[i];
  }
  return glyphs;
}

function placeAlongAxis(glyphs: Glyphs, { along, up }: Frame, i: number): void {
  const { boxes, origins } = glyphs.raw;
  // Without arrays, and without products that are zero: there are a million of these in a book.
  const k = 4 * i;
  if (along.x === 0) {
    putAlong(glyphs, i, along.y * boxes[k + 1], along.y * boxes[k + 3]);
    putAcross(glyphs, i, up.x * boxes[k], up.x * boxes[k + 2], up.x * origins[2 * i]);
  } else {
    putAlong(glyphs, i, along.x * boxes[k], along.x * boxes[k + 2]);
    putAcross(glyphs, i, up.y * boxes[k + 1], up.y * boxes[k + 3], up.y * origins[2 * i + 1]);
  }
}

function putAlong(glyphs: Glyphs, i: number, a: number, b: number): void {
  glyphs.from[i] = a < b ? a : b;
  glyphs.to[i] = a < b ? b : a;
}

function putAcross(glyphs: Glyphs, i: number, a: number, b: number, base: number): void {
  glyphs.foot[i] = a < b ? a : b;
  glyphs.head[i] = a < b ? b : a;
  glyphs.base[i] = base;
}

/** An upright box around a slanting character is larger than what it takes of its line. */
function placeSlanting(place: Glyphs, { along, up }: Frame, i: number): void {
  const { raw } = place;
  const [x, y] = [raw.origins[2 * i], raw.origins[2 * i + 1]];
  const size = raw.sizes[i];
  place.from[i] = x * along.x + y * along.y;
  place.to[i] = place.from[i] + slantingWidth(raw, i, along);
  place.base[i] = x * up.x + y * up.y;
  place.foot[i] = place.base[i] - FOOT * size;
  place.head[i] = place.base[i] + HEAD * size;
}

/** How far a slanting character advances, from the upright box around it; about half its size where that does not tell. */
function slantingWidth(raw: RawPrint, i: number, along: Frame['along']): number {
  const [c, s] = [Math.abs(along.x), Math.abs(along.y)];
  const [width, height] = [0, 1].map((k) => raw.boxes[4 * i + k + 2] - raw.boxes[4 * i + k]);
  const advance = (width * c - height * s) / (c * c - s * s);
  const isTold = Math.abs(c * c - s * s) > DIAGONAL && advance > 0;
  return isTold ? Math.min(advance, 2 * raw.sizes[i]) : raw.sizes[i] / 2;
}

function frameAt(angle: number): Frame {
  // Right angles are by far the most, and are to be exact.
  const quarter = Math.round((2 * angle) / Math.PI);
  const exact = Math.abs(angle - (quarter * Math.PI) / 2) < SAME / 2;
  const [c, s] = exact
    ? [[1, 0, -1, 0][quarter & 3], [0, 1, 0, -1][quarter & 3]]
    : [Math.cos(angle), Math.sin(angle)];
  return { along: { x: c, y: s }, up: { x: -s, y: c }, angle };
}

/** An angle from −π (left out) to π. */
function turned(angle: number): number {
  const t = angle % (2 * Math.PI);
  if (t > Math.PI + SAME / 2) return t - 2 * Math.PI;
  return t <= -Math.PI + SAME / 2 ? t + 2 * Math.PI : t;
}

/** Whether the character is one of a column written from the top down, whose characters stand upright. */
function isWrittenDown(raw: RawPrint, i: number): boolean {
  if (Math.abs(raw.angles[i]) > SAME) return false;
  const steps = (a: number, b: number): boolean => {
    if (a < 0 || b >= raw.codes.length || raw.codes[a] < FIRST_CJK || raw.codes[b] < FIRST_CJK)
      return false;
    const size = raw.sizes[a] || 1;
    const middle = (k: number): number => (raw.boxes[4 * k] + raw.boxes[4 * k + 2]) / 2;
    const down = (raw.origins[2 * a + 1] - raw.origins[2 * b + 1]) / size;
    return (
      Math.abs(middle(a) - middle(b)) < ASIDE * size && down > STEP_DOWN[0] && down < STEP_DOWN[1]
    );
  };
  return steps(i, i + 1) || steps(i - 1, i);
}
