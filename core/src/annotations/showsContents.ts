import type { AnnotationSketch } from '../kinds/index.ts';

/** Whether what an annotation of ours says is what its mark shows, or what is to be seen on it, and no remark about it. */
export const showsContents = (sketch: AnnotationSketch | null | undefined): boolean =>
  sketch?.subtype === 'FreeText' || (sketch?.subtype === 'Stamp' && sketch.says !== '');
