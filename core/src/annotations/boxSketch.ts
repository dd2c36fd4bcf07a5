import type { Vec } from '../geometry/index.ts';
import type { AnnotationSketch } from '../kinds/index.ts';

/** A rectangle or an ellipse between two corners; a rectangle whose sides bulge is a polygon here. */
export function boxSketch(
  subtype: 'Square' | 'Circle',
  corners: readonly [Vec, Vec],
  look: { readonly width: number; readonly dashed?: boolean; readonly inside?: string },
  isCloudy: boolean,
): AnnotationSketch {
  const [a, b] = corners;
  if (subtype === 'Circle' || !isCloudy) return { subtype, corners, ...look };
  const around = [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }];
  return { subtype: 'Polygon', corners: around, cloudy: true, ...look };
}

/** Whether a line's ends have heads, by their names (§12.5.6.7); other ends are plain here. */
export const hasHead = (ending: string): boolean => /Arrow/.test(ending);
