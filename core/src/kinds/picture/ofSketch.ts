import type { AnnotationSketch, SketchedBase } from '../annotation.ts';
import type { PictureMark } from './mark.ts';

/** The picture that a stamp of another program shows, where there is one of it. */
export const pictureOfSketch = (
  sketch: AnnotationSketch,
  base: SketchedBase,
): readonly PictureMark[] =>
  sketch.subtype === 'Stamp' && sketch.picture
    ? [{ ...base, kind: 'picture', ...sketch.picture, says: sketch.says }]
    : [];
