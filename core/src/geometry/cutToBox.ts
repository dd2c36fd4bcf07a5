import type { Box } from './box.ts';
import type { Vec } from './vec.ts';

/** A half of the plane: how far a point is inside it. */
type Inside = (p: Vec) => number;

/**
 * What of a closed line lies within a box; empty where nothing does. Where a line leaves the box and comes back its parts are joined along the side
 * (Sutherland & Hodgman, Communications of the ACM 17, 1974): what is filled of it is right.
 */
export function cutToBox(corners: readonly Vec[], { minX, minY, maxX, maxY }: Box): readonly Vec[] {
  const halves: readonly Inside[] = [
    ({ x }) => x - minX,
    ({ x }) => maxX - x,
    ({ y }) => y - minY,
    ({ y }) => maxY - y,
  ];
  return halves.reduce<readonly Vec[]>(cutToHalf, corners);
}

function cutToHalf(corners: readonly Vec[], inside: Inside): readonly Vec[] {
  return corners.flatMap((to, k) => {
    const from = corners.at(k - 1) ?? to;
    const [a, b] = [inside(from), inside(to)];
    const crossing =
      a < 0 === b < 0
        ? []
        : [
            {
              x: from.x + (a / (a - b)) * (to.x - from.x),
              y: from.y + (a / (a - b)) * (to.y - from.y),
            },
          ];
    return b < 0 ? crossing : [...crossing, to];
  });
}
