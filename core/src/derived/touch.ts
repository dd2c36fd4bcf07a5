import {
  type Box,
  boxesMeet,
  boxOfPoints,
  growBox,
  inPolygon,
  nearestOnSegment,
  segmentDistance,
  type Vec,
} from '../geometry/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import { boundsOf } from './drawingOf.ts';
import { areasOf, centrelinesOf } from './lines.ts';

/** Whether a disc of `radius` points swept along `sweep` touches the mark's ink. */
export function isTouched(mark: Mark, sweep: readonly Vec[], radius: number): boolean {
  const reach: Box = growBox(boxOfPoints(sweep), radius);
  if (sweep.length === 0 || !boxesMeet(reach, boundsOf(mark))) return false;
  if (areasOf(mark).some((area) => sweep.some((p) => inPolygon(area, p)))) return true;
  return centrelinesOf(mark).some((line) => lineTouched(line, sweep, radius + halfWidth(mark)));
}

/** Whether a disc of `radius` points swept along `sweep` touches a polygon. */
export const areaTouched = (area: readonly Vec[], sweep: readonly Vec[], radius: number): boolean =>
  sweep.some((p) => inPolygon(area, p)) || lineTouched([...area, area[0]], sweep, radius);

/** Half the width of its lines, of ink at middling pressure. */
const halfWidth = (mark: Mark): number => (kindFor(mark).lines ? mark.style.width / 2 : 0);

function lineTouched(line: readonly Vec[], sweep: readonly Vec[], reach: number): boolean {
  const pieces = (points: readonly Vec[]): [Vec, Vec][] =>
    points.length === 1 ? [[points[0], points[0]]] : points.slice(1).map((p, i) => [points[i], p]);
  const sweeps = pieces(sweep);
  return pieces(line).some(([a, b]) =>
    sweeps.some(([c, d]) =>
      c === d ? nearestOnSegment(c, a, b).distance <= reach : segmentDistance(a, b, c, d) <= reach,
    ),
  );
}
