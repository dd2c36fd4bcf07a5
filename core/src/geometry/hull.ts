import { cross, subtract, type Vec } from './vec.ts';

/** The convex hull of points, anticlockwise (Andrew's monotone chain, 1979; from memory). */
export function convexHull(points: readonly Vec[]): Vec[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (all: readonly Vec[]): Vec[] => {
    const chain: Vec[] = [];
    for (const p of all) {
      while (chain.length > 1) {
        const [a, b] = [chain[chain.length - 2], chain[chain.length - 1]];
        if (cross(subtract(b, a), subtract(p, a)) > 0) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return sorted.length < 3 ? sorted : [...half(sorted), ...half(sorted.reverse())];
}
