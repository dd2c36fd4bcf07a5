import { distance, subtract, type Vec } from '../../geometry/index.ts';
import type { AnnotationSketch, SketchedBase } from '../annotation.ts';
import type { TextMark } from './mark.ts';

/** From baseline to baseline, of the size: what programs take that do not say it. Common practice, no source. */
const LEADING = 1.2;
/** Between a box and its lines, points, where nobody says it. Common practice, no source. */
const PADDING = 2;
/** Of a callout's arrowhead, in widths of its line; at least so long, points. */
const HEAD = 8;
const SHORTEST_HEAD = 5;

/** A box of typed text that takes the place of the annotation's: what does not fit there is set smaller. */
export function textOfSketch(sketch: AnnotationSketch, base: SketchedBase): readonly TextMark[] {
  if (sketch.subtype !== 'FreeText') return [];
  const { corners, text, size, family, bold, italic, align, ground, border, leader } = sketch;
  const [at, headEnd, , foot] = corners;
  const padding = Math.max(PADDING, border);
  const inside = (side: number): number => Math.max(1, side - 2 * padding);
  const height = inside(distance(at, foot));
  const { colour } = base.style;
  return [
    {
      ...base,
      kind: 'text',
      style: { ...base.style, width: 1 },
      at,
      angle: angleOf(corners),
      block: {
        spans: [{ text, style: { family, size, bold, italic, underline: false, colour } }],
        width: inside(distance(at, headEnd)),
        align,
        leading: LEADING,
        fit: height,
      },
      height,
      padding,
      background: ground ? { colour: ground, opacity: 1 } : null,
      border,
      ...(leader
        ? {
            leader: {
              to: leader.to,
              bend: leader.bend,
              head: leader.head ? Math.max(SHORTEST_HEAD, HEAD * border) : 0,
            },
          }
        : {}),
    },
  ];
}

const angleOf = ([at, headEnd]: readonly [Vec, Vec, Vec, Vec]): number => {
  const { x, y } = subtract(headEnd, at);
  return Math.atan2(y, x);
};
