import { nearestOnSegment, type Vec } from '@marginalis/core/geometry';
import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import BufferOp from 'jsts/org/locationtech/jts/operation/buffer/BufferOp.js';
import BufferParameters from 'jsts/org/locationtech/jts/operation/buffer/BufferParameters.js';
import OverlayOp from 'jsts/org/locationtech/jts/operation/overlay/OverlayOp.js';

/** Chords of a quarter of the sweep's round ends. */
const CHORDS = 90;

/** What an independent library leaves of a line when a disc of `radius` swept along `sweep` is taken from it. */
export function leftByLibrary(
  line: readonly Vec[],
  sweep: readonly Vec[],
  radius: number,
): Vec[][] {
  const factory = new GeometryFactory() as { createLineString(c: unknown[]): unknown };
  const lineString = (points: readonly Vec[]): unknown =>
    factory.createLineString(points.map((p) => new Coordinate(p.x, p.y)));
  // The library's line needs two places.
  const along = sweep.length === 1 ? [sweep[0], { x: sweep[0].x + 1e-9, y: sweep[0].y }] : sweep;
  const parameters = new BufferParameters(CHORDS);
  const swept = BufferOp.bufferOp(lineString(along), radius, parameters);
  const left = OverlayOp.overlayOp(lineString(line), swept, OverlayOp.DIFFERENCE);
  // It cuts the line where it crosses itself, too: pieces that go on are joined again.
  const pieces = Array.from({ length: left.getNumGeometries() }, (_, i) =>
    left
      .getGeometryN(i)
      .getCoordinates()
      .map(({ x, y }) => ({ x, y })),
  ).filter((piece) => piece.length > 1);
  const placed = pieces.map((piece) => ({ piece, at: placeOf(piece, line) }));
  return joined(placed.sort((a, b) => a.at - b.at).map(({ piece }) => piece));
}

/** Where along the line the middle of a piece of it lies. */
function placeOf(piece: readonly Vec[], line: readonly Vec[]): number {
  const i = Math.floor((piece.length - 1) / 2);
  const middle = { x: (piece[i].x + piece[i + 1].x) / 2, y: (piece[i].y + piece[i + 1].y) / 2 };
  let best = Infinity;
  let at = 0;
  for (let k = 0; k + 1 < line.length; k++) {
    const { distance, t } = nearestOnSegment(middle, line[k], line[k + 1]);
    if (distance < best) [best, at] = [distance, k + t];
  }
  return at;
}

function joined(pieces: readonly Vec[][]): Vec[][] {
  const out: Vec[][] = [];
  for (const piece of pieces) {
    const last = out[out.length - 1];
    const end = last?.[last.length - 1];
    if (end && Math.hypot(end.x - piece[0].x, end.y - piece[0].y) < 1e-9)
      last.push(...piece.slice(1));
    else out.push([...piece]);
  }
  return out;
}
