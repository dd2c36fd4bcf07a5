import {
  type Convex,
  convexArea,
  cross,
  lerp,
  type Matrix,
  type Path,
  PathBuilder,
  transform,
  type Vec,
} from '../geometry/index.ts';
import type { Print, PrintLine, TextRange } from './print.ts';

/**
 * A piece of a line, by its corners: where the line's head begins and ends, then its foot. Upright on the page that is top left, top right, bottom
 * left, bottom right, the order that programs write quadrilaterals of text in (common practice; ISO 32000-1 §12.5.6.10 says otherwise).
 */
export type Quad = readonly [Vec, Vec, Vec, Vec];

/** The corners of a quadrilateral, one after the other round it. */
export const aroundQuad = ([a, b, c, d]: Quad): readonly Vec[] => [a, b, d, c];

/** Quads as areas; those without an inside are none. */
export const areasOfQuads = (quads: readonly Quad[]): Convex[] =>
  quads.flatMap((quad) => convexArea(aroundQuad(quad)) ?? []);

/** The part of a quadrilateral between two shares of its length. */
export const partOfQuad = ([a, b, c, d]: Quad, from: number, to: number): Quad => [
  lerp(a, b, from),
  lerp(a, b, to),
  lerp(c, d, from),
  lerp(c, d, to),
];

/** A quadrilateral under an affine map. */
export const mapQuad = ([a, b, c, d]: Quad, by: Matrix): Quad => [
  transform(by, a),
  transform(by, b),
  transform(by, c),
  transform(by, d),
];

/** Quadrilaterals as one path. They overlap where lines are set tightly: all go the same way round, so that none cancels another. */
export function pathOfQuads(quads: readonly Quad[]): Path {
  const path = new PathBuilder();
  for (const quad of quads) {
    const [first, ...rest] = oneWayRound(aroundQuad(quad));
    path.moveTo(first.x, first.y);
    for (const { x, y } of rest) path.lineTo(x, y);
    path.closePath();
  }
  return path.build();
}

function oneWayRound(corners: readonly Vec[]): readonly Vec[] {
  const area = corners.reduce((sum, p, k) => sum + cross(p, corners[(k + 1) % corners.length]), 0);
  return area < 0 ? [...corners].reverse() : corners;
}

/** The pieces of lines that a part of the text covers, in reading order. */
export function quadsOf(print: Print, { from, to }: TextRange): Quad[] {
  return linesWithin(print, { from, to }).map((line) =>
    quadOn(print, line, Math.max(from, line.from), Math.min(to, line.to)),
  );
}

/** The lines that a part of the text reaches into. */
export function linesWithin({ lines }: Print, { from, to }: TextRange): PrintLine[] {
  return lines.filter((line) => line.from < to && line.to > from);
}

function quadOn(print: Print, line: PrintLine, from: number, to: number): Quad {
  const along = { x: Math.cos(line.angle), y: Math.sin(line.angle) };
  const up = { x: -along.y, y: along.x };
  let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let k = from; k < to; k++) {
    const [minX, minY, maxX, maxY] = print.boxes.subarray(4 * k, 4 * k + 4);
    if (!(maxX > minX)) continue;
    const [u, v, halfU, halfV] = spanOf(minX, minY, maxX, maxY);
    u0 = Math.min(u0, u - halfU);
    u1 = Math.max(u1, u + halfU);
    v0 = Math.min(v0, v - halfV);
    v1 = Math.max(v1, v + halfV);
  }
  const at = (u: number, v: number): Vec => ({
    x: u * along.x + v * up.x,
    y: u * along.y + v * up.y,
  });
  return [at(u0, v1), at(u1, v1), at(u0, v0), at(u1, v0)];

  /** The middle of a character along the line and across, and half of what it takes. */
  function spanOf(minX: number, minY: number, maxX: number, maxY: number) {
    const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
    const [w, h] = [(maxX - minX) / 2, (maxY - minY) / 2];
    const [c, s] = [Math.abs(along.x), Math.abs(along.y)];
    const middle = [x * along.x + y * along.y, x * up.x + y * up.y];
    // The box around a slanting character is larger than the character.
    const size = isAlongAxis(c, s)
      ? [w * c + h * s, h * c + w * s]
      : [line.size / 4, line.size / 2];
    return [...middle, ...size];
  }
}

const isAlongAxis = (c: number, s: number): boolean => Math.min(c, s) < 1e-6;
