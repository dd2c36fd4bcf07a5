import type { AnnotationSketch, SketchedBase } from './annotation.ts';
import type { Kind } from './kind.ts';
import { KINDS, type Mark } from './table.ts';

/** The marks that come nearest to an annotation of another program; none where no kind is. */
export function marksOfSketch(sketch: AnnotationSketch, base: SketchedBase): readonly Mark[] {
  for (const kind of Object.values(KINDS) as unknown as Kind<Mark>[]) {
    const marks = kind.ofAnnotation?.(sketch, base) ?? [];
    if (marks.length > 0) return marks;
  }
  return [];
}
