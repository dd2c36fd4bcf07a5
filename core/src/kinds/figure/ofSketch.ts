import type { Figure } from '../../figures/index.ts';
import { distance } from '../../geometry/index.ts';
import type { AnnotationSketch, SketchedBase } from '../annotation.ts';
import type { FigureMark } from './mark.ts';

/** Barbs in widths of the line, and in shares of its length at the most. */
const HEAD = 8.5;
const HEAD_SHARE = 0.5;

/** The figure that comes nearest to an annotation. */
export function figureOfSketch(
  sketch: AnnotationSketch,
  base: SketchedBase,
): readonly FigureMark[] {
  const figure = shapeOf(sketch);
  if (!figure || !('width' in sketch)) return [];
  const { width, dashed, inside } = sketch;
  return [
    {
      ...base,
      kind: 'figure',
      style: { ...base.style, width },
      figure,
      dash: dashed ? 'dashed' : 'none',
      fill: inside ? { colour: inside, opacity: 1 } : null,
      from: [],
    },
  ];
}

function shapeOf(sketch: AnnotationSketch): Figure | null {
  switch (sketch.subtype) {
    case 'Line': {
      const { from, to, heads, width } = sketch;
      const length = distance(from, to);
      const head = Math.min(HEAD * Math.max(1, width), HEAD_SHARE * length);
      const [begins, ends] = heads;
      if (length === 0) return null;
      if (!begins && !ends) return { kind: 'line', from, to };
      // The head of an arrow is at its end.
      if (!ends) return { kind: 'arrow', from: to, to: from, head };
      return { kind: 'arrow', from, to, head, ...(begins ? { tail: head } : {}) };
    }
    case 'PolyLine': {
      const { corners, heads, width } = sketch;
      if (corners.length < 2) return null;
      const head = HEAD * Math.max(1, width);
      const [begins, ends] = heads ?? [false, false];
      return {
        kind: 'polyline',
        corners,
        ...(ends ? { head } : {}),
        ...(begins ? { tail: head } : {}),
      };
    }
    case 'Polygon':
      if (sketch.corners.length < 3) return null;
      return { kind: sketch.cloudy ? 'cloud' : 'polygon', corners: sketch.corners };
    case 'Square':
    case 'Circle': {
      const [a, b] = sketch.corners;
      const [width, height] = [Math.abs(b.x - a.x), Math.abs(b.y - a.y)];
      if (width === 0 || height === 0) return null;
      const centre = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      if (sketch.subtype === 'Square')
        return { kind: 'rectangle', centre, width, height, angle: 0 };
      return width === height
        ? { kind: 'circle', centre, radius: width / 2 }
        : { kind: 'ellipse', centre, rx: width / 2, ry: height / 2, angle: 0 };
    }
    default:
      return null;
  }
}
