import { type Figure, outlineFigure } from '@marginalis/core/figures';
import type { Vec } from '@marginalis/core/geometry';
import { GUIDE_INK, type WritingTools } from '@/shell';

/** How wide guides are drawn, and the ring around the first corner, CSS pixels. */
const LINE = 1.4;
const RING = 9;

/** Shows what is no mark yet of a figure tapped corner by corner: its first corner, where it goes on, where it closes. */
export function paintGuides(
  tools: WritingTools,
  page: number,
  corners: readonly Vec[],
  /** Where the next corner would be; the last one while nothing hovers. */
  next: Vec,
  closes: boolean,
): void {
  const [first] = corners;
  const last = corners.at(-1);
  if (!first || !last) return;
  const { zoom } = tools.stage.getCamera();
  const matrix = tools.matrix(page);
  const draw = (figure: Figure, dash: 'none' | 'dashed'): void =>
    tools.tiles.fill('tip', outlineFigure(figure, LINE / zoom, dash), matrix, GUIDE_INK);
  const edge = (from: Vec, to: Vec): void =>
    draw({ kind: 'polyline', corners: [from, to] }, 'dashed');
  draw({ kind: 'circle', centre: first, radius: RING / zoom }, 'none');
  if (next !== last) edge(last, next);
  if (closes && corners.length + (next === last ? 0 : 1) > 2) edge(next, first);
}
