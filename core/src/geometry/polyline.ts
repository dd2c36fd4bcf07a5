import { type Vec, distance } from './vec.ts';

/** The distance from `p` to the segment `a`–`b`, and where on it (0–1) the nearest point lies. */
export function nearestOnSegment(p: Vec, a: Vec, b: Vec): { distance: number; t: number } {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const l2 = dx * dx + dy * dy;
  const t = l2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / l2));
  return { distance: Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy), t };
}

/** The least distance between the segments `a`–`b` and `c`–`d`; 0 when they cross. */
export function segmentDistance(a: Vec, b: Vec, c: Vec, d: Vec): number {
  const side = (p: Vec, q: Vec, r: Vec): number =>
    (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  const crosses = side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
  if (crosses) return 0;
  return Math.min(
    nearestOnSegment(a, c, d).distance,
    nearestOnSegment(b, c, d).distance,
    nearestOnSegment(c, a, b).distance,
    nearestOnSegment(d, a, b).distance,
  );
}

export function polylineLength(points: readonly Vec[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) sum += distance(points[i - 1], points[i]);
  return sum;
}

/**
 * `count` points at equal steps along the line, both ends included.
 * @throws RangeError when `points` is empty or `count` is below 2
 */
export function resamplePolyline(points: readonly Vec[], count: number): Vec[] {
  if (points.length === 0 || count < 2)
    throw new RangeError('Resampling needs at least one point and a count of two or more.');
  const step = polylineLength(points) / (count - 1);
  const out: Vec[] = [points[0]];
  let along = 0;
  for (let i = 1; i < points.length && out.length < count - 1; i++) {
    const a = points[i - 1];
    const b = points[i];
    const d = distance(a, b);
    while (d > 0 && along + d >= step * out.length && out.length < count - 1) {
      const t = (step * out.length - along) / d;
      out.push({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
    }
    along += d;
  }
  while (out.length < count) out.push(points[points.length - 1]);
  return out;
}

/**
 * Ramer–Douglas–Peucker: the indices to keep so that no dropped point lies farther than
 * `tolerance` from the kept line. `offset(i, a, b)` may stand in for the plain distance.
 */
export function simplifiedIndices(
  count: number,
  tolerance: number,
  offset: (i: number, a: number, b: number) => number,
): number[] {
  if (count <= 2) return Array.from({ length: count }, (_, i) => i);
  const keep = new Uint8Array(count);
  keep[0] = keep[count - 1] = 1;
  const stack: [number, number][] = [[0, count - 1]];
  for (let range = stack.pop(); range; range = stack.pop()) {
    const [a, b] = range;
    let worst = tolerance;
    let at = -1;
    for (let i = a + 1; i < b; i++) {
      const d = offset(i, a, b);
      if (d > worst) {
        worst = d;
        at = i;
      }
    }
    if (at > 0) {
      keep[at] = 1;
      stack.push([a, at], [at, b]);
    }
  }
  const out: number[] = [];
  for (let i = 0; i < count; i++) if (keep[i]) out.push(i);
  return out;
}

/** Whether a place lies inside a polygon, its corners in turn (even-odd rule). */
export function inPolygon(corners: readonly Vec[], { x, y }: Vec): boolean {
  let inside = false;
  for (let i = 0, j = corners.length - 1; i < corners.length; j = i++) {
    const [a, b] = [corners[i], corners[j]];
    if (a.y > y !== b.y > y && x < a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y)) inside = !inside;
  }
  return inside;
}
