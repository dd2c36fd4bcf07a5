import type { WordManner } from '../../marks/index.ts';
import type { AnnotationSketch, SketchedBase } from '../annotation.ts';
import type { WordsMark } from './mark.ts';

const MANNERS: Readonly<Record<string, WordManner>> = {
  Highlight: 'highlight',
  Underline: 'underline',
  Squiggly: 'squiggle',
  StrikeOut: 'strike',
};
/** How thick a line beneath words is, points. */
const LINE = 1;

/** A mark on words; which words they are is for `wordsUnder` to say. */
export function wordsOfSketch(sketch: AnnotationSketch, base: SketchedBase): readonly WordsMark[] {
  if (!('quads' in sketch) || sketch.quads.length === 0) return [];
  return [
    {
      ...base,
      kind: 'words',
      style: { ...base.style, width: LINE },
      manner: MANNERS[sketch.subtype],
      strips: sketch.quads.map((quad) => ({ quad, words: [] })),
      before: '',
      after: '',
    },
  ];
}
