import {
  type Box,
  boxesMeet,
  cutToBox,
  joinPaths,
  type Path,
  pathBounds,
  polygonPath,
  polylinesOf,
} from '../geometry/index.ts';

/** How far chords may lie off curves that are cut, units: on a page that a graphic fills, 1/50 of a point. */
export const FLATNESS = 3;

/** What of a path that is filled lies within a box; null where nothing does. One that lies within stays as it is. */
export function cutToSeen(path: Path, seen: Box): Path | null {
  const box = pathBounds(path);
  if (path.verbs.length === 0 || !boxesMeet(box, seen)) return null;
  const { minX, minY, maxX, maxY } = seen;
  if (box.minX >= minX && box.minY >= minY && box.maxX <= maxX && box.maxY <= maxY) return path;
  const rings = polylinesOf(path, FLATNESS)
    .map((ring) => cutToBox(ring, seen))
    .filter(({ length }) => length > 2);
  return rings.length > 0 ? joinPaths(rings.map(polygonPath)) : null;
}
