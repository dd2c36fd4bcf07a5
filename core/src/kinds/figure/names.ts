import type { FigureKind } from '../../figures/index.ts';

/** What figures are called. */
export const FIGURE_NAMES: Readonly<Record<FigureKind, string>> = {
  line: 'Line',
  arrow: 'Arrow',
  polyline: 'Polyline',
  arc: 'Arc',
  curve: 'Curve',
  circle: 'Circle',
  ellipse: 'Ellipse',
  triangle: 'Triangle',
  rectangle: 'Rectangle',
  square: 'Square',
  diamond: 'Diamond',
  parallelogram: 'Parallelogram',
  polygon: 'Polygon',
  cloud: 'Cloud',
  star: 'Star',
  brace: 'Brace',
  bracket: 'Bracket',
  tick: 'Tick',
  cross: 'Cross',
};
