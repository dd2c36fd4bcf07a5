import type { AnnotationSketch, SketchedBase } from '../annotation.ts';
import type { NoteMark } from './mark.ts';

/** How thick the line of a note's sign is, points. */
const LINE = 1.5;

/** The sign of a note at its place. */
export function noteOfSketch(sketch: AnnotationSketch, base: SketchedBase): readonly NoteMark[] {
  if (sketch.subtype !== 'Text') return [];
  const { style } = base;
  return [
    {
      ...base,
      kind: 'note',
      style: { ...style, width: LINE },
      at: sketch.at,
      quads: [],
      quote: { exact: '', before: '', after: '' },
    },
  ];
}
