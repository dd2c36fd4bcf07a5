import { inkRadius, type InkSample, type Nib } from '@marginalis/core/ink';
import ArrayList from 'jsts/java/util/ArrayList.js';
import ConvexHull from 'jsts/org/locationtech/jts/algorithm/ConvexHull.js';
import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import PrecisionModel from 'jsts/org/locationtech/jts/geom/PrecisionModel.js';
import CascadedPolygonUnion from 'jsts/org/locationtech/jts/operation/union/CascadedPolygonUnion.js';

const CORNERS = 40;
/** Steps a point: a fixed grid keeps the library's overlays robust. */
const PER_POINT = 10_000;

/** The area of discs along the line and the strips between them, made into one shape by an independent library. */
export const areaOfDiscs = (line: readonly InkSample[], nib: Nib): number =>
  areaOfLines([line], nib);

/** The same along several lines, what they share counted once. */
export function areaOfLines(lines: readonly (readonly InkSample[])[], nib: Nib): number {
  const factory = new GeometryFactory(new PrecisionModel(PER_POINT));
  // A polygon with the disc's area, so that many corners are not needed.
  const larger = Math.sqrt((2 * Math.PI) / (CORNERS * Math.sin((2 * Math.PI) / CORNERS)));
  const rim = (s: InkSample): unknown[] =>
    Array.from({ length: CORNERS }, (_, k) => {
      const r = inkRadius(nib, s.pressure) * larger;
      const angle = (2 * Math.PI * k) / CORNERS;
      return new Coordinate(s.x + r * Math.cos(angle), s.y + r * Math.sin(angle));
    });
  const pieces = new ArrayList();
  // Two discs and the strip between their outer tangents are their convex hull.
  for (const line of lines)
    for (let i = 1; i < line.length; i++)
      pieces.add(new ConvexHull([...rim(line[i - 1]), ...rim(line[i])], factory).getConvexHull());
  return CascadedPolygonUnion.union(pieces).getArea();
}

/** The area a non-zero fill of rings (x, y in turn) covers, by scan lines `step` points apart. */
export function filledArea(rings: readonly (readonly number[])[], step: number): number {
  const ys = rings.flatMap((ring) => ring.filter((_, i) => i % 2 === 1));
  const [low, high] = ys.reduce(
    ([a, b], y) => [Math.min(a, y), Math.max(b, y)],
    [Infinity, -Infinity],
  );
  let sum = 0;
  for (let y = low + step / 2; y < high; y += step) {
    const crossings = rings.flatMap((ring) => crossingsAt(ring, y)).sort((a, b) => a[0] - b[0]);
    let winding = 0;
    crossings.forEach(([x, turn], i) => {
      winding += turn;
      if (winding !== 0 && i + 1 < crossings.length) sum += (crossings[i + 1][0] - x) * step;
    });
  }
  return sum;
}

function crossingsAt(ring: readonly number[], y: number): [x: number, turn: number][] {
  const out: [number, number][] = [];
  for (let i = 0; i < ring.length; i += 2) {
    const j = (i + 2) % ring.length;
    const [x0, y0, x1, y1] = [ring[i], ring[i + 1], ring[j], ring[j + 1]];
    if (y0 <= y !== y1 <= y) out.push([x0 + ((y - y0) * (x1 - x0)) / (y1 - y0), y1 > y0 ? 1 : -1]);
  }
  return out;
}
