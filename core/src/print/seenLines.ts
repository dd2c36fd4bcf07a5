import { displayMatrix, type PageBox, transform, type Vec } from '../geometry/index.ts';
import type { DrawnShapes } from './drawnShapes.ts';

/** A level line, points from the page's upper left corner as it is seen, y down. */
export interface Level {
  readonly from: number;
  readonly to: number;
  readonly y: number;
}
export interface Upright {
  readonly x: number;
  readonly top: number;
  readonly foot: number;
}

/** What rises by less over its length is level; what leans less is upright, points. */
const STRAIGHT = 0.8;

/** The lines of a page as it is seen, long and short ones, each as it is drawn. */
export interface SeenLines {
  readonly levels: readonly Level[];
  readonly uprights: readonly Upright[];
  /** Slanting pieces of figures. */
  readonly slants: readonly (readonly [Vec, Vec])[];
}

export function seenLines({ rules, edges, slants }: DrawnShapes, page: PageBox): SeenLines {
  const display = displayMatrix(page);
  const levels: Level[] = [];
  const uprights: Upright[] = [];
  for (const ends of [rules, edges])
    for (let k = 0; k + 3 < ends.length; k += 4) {
      const a = transform(display, { x: ends[k], y: ends[k + 1] });
      const b = transform(display, { x: ends[k + 2], y: ends[k + 3] });
      const [from, to] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
      const [top, foot] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
      if (foot - top < STRAIGHT) levels.push({ from, to, y: (top + foot) / 2 });
      else if (to - from < STRAIGHT) uprights.push({ x: (from + to) / 2, top, foot });
    }
  const pieces = Array.from({ length: Math.floor(slants.length / 4) }, (_, k) => {
    const [ax, ay, bx, by] = slants.subarray(4 * k, 4 * k + 4);
    return [transform(display, { x: ax, y: ay }), transform(display, { x: bx, y: by })] as const;
  });
  return { levels, uprights, slants: pieces };
}
