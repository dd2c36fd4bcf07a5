import { type Box, EMPTY_BOX } from './box.ts';
import { IDENTITY, type Matrix, transform } from './matrix.ts';
import type { Vec } from './vec.ts';

/** M takes one point, L one, C three (two controls and the end), Z none. */
export const VERB = { M: 0, L: 1, C: 2, Z: 3 } as const;

/** How many coordinates each verb takes, indexed by verb. */
export const VERB_COORDS = [2, 2, 6, 0] as const;

/** A flat path: one verb a byte, coordinates x, y in turn. Drawn with the non-zero rule everywhere. */
export interface Path {
  readonly verbs: Uint8Array;
  readonly coords: Float64Array;
}

/** Whatever can be drawn into: a canvas, a PDF operator writer, a `PathBuilder`. */
export interface PathSink {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  closePath(): void;
}

/** Collects verbs and coordinates into a {@link Path}. */
export class PathBuilder implements PathSink {
  private readonly verbs: number[] = [];
  private readonly coords: number[] = [];

  moveTo(x: number, y: number): void {
    this.verbs.push(VERB.M);
    this.coords.push(x, y);
  }

  lineTo(x: number, y: number): void {
    this.verbs.push(VERB.L);
    this.coords.push(x, y);
  }

  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void {
    this.verbs.push(VERB.C);
    this.coords.push(x1, y1, x2, y2, x, y);
  }

  closePath(): void {
    this.verbs.push(VERB.Z);
  }

  build(): Path {
    return { verbs: Uint8Array.from(this.verbs), coords: Float64Array.from(this.coords) };
  }
}

/** Replays `path` into `sink`. */
export function drawPathInto(sink: PathSink, path: Path): void {
  const { verbs, coords } = path;
  let i = 0;
  for (const verb of verbs) {
    if (verb === VERB.M) sink.moveTo(coords[i], coords[i + 1]);
    else if (verb === VERB.L) sink.lineTo(coords[i], coords[i + 1]);
    else if (verb === VERB.C)
      sink.bezierCurveTo(
        coords[i],
        coords[i + 1],
        coords[i + 2],
        coords[i + 3],
        coords[i + 4],
        coords[i + 5],
      );
    else sink.closePath();
    i += VERB_COORDS[verb];
  }
}

/** The path with every point moved; affine moves keep curves what they are. */
export function mapPath(path: Path, move: (x: number, y: number) => Vec): Path {
  const coords = new Float64Array(path.coords.length);
  for (let i = 0; i < coords.length; i += 2) {
    const { x, y } = move(path.coords[i], path.coords[i + 1]);
    coords[i] = x;
    coords[i + 1] = y;
  }
  return { verbs: path.verbs, coords };
}

/** The box around every coordinate, controls included; empty for an empty path. */
export function pathBounds(path: Path): Box {
  let { minX, minY, maxX, maxY } = EMPTY_BOX;
  const { coords } = path;
  for (let i = 0; i < coords.length; i += 2) {
    const x = coords[i];
    const y = coords[i + 1];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return { minX, minY, maxX, maxY };
}

/** Several paths as one, in order. */
export function joinPaths(paths: readonly Path[]): Path {
  const verbs = new Uint8Array(paths.reduce((n, p) => n + p.verbs.length, 0));
  const coords = new Float64Array(paths.reduce((n, p) => n + p.coords.length, 0));
  let v = 0;
  let c = 0;
  for (const p of paths) {
    verbs.set(p.verbs, v);
    coords.set(p.coords, c);
    v += p.verbs.length;
    c += p.coords.length;
  }
  return { verbs, coords };
}

/** A box as a path, carried by a map. */
export const boxPath = ({ minX, minY, maxX, maxY }: Box, map: Matrix = IDENTITY): Path =>
  polygonPath(
    [
      { x: minX, y: minY },
      { x: maxX, y: minY },
      { x: maxX, y: maxY },
      { x: minX, y: maxY },
    ].map((corner) => transform(map, corner)),
  );

/**
 * A frame within a box, so thick, its corners carried by `map`: one path with a hole. Some readers put the edges of plain
 * boxes on whole pixels, where a thin frame made of two is lost.
 */
export function framePath(outer: Box, thickness: number, map: Matrix = IDENTITY): Path {
  const { minX, minY, maxX, maxY } = outer;
  const [left, foot, right, head] = [
    minX + thickness,
    minY + thickness,
    maxX - thickness,
    maxY - thickness,
  ];
  // Corners the other way round make the hole.
  const hole = [
    { x: left, y: foot },
    { x: left, y: head },
    { x: right, y: head },
    { x: right, y: foot },
  ].map((corner) => transform(map, corner));
  return joinPaths([boxPath(outer, map), polygonPath(hole)]);
}

/** A closed polygon as a path; empty without corners. */
export function polygonPath(corners: readonly Vec[]): Path {
  const path = new PathBuilder();
  corners.forEach(({ x, y }, k) => (k === 0 ? path.moveTo(x, y) : path.lineTo(x, y)));
  if (corners.length > 0) path.closePath();
  return path.build();
}
