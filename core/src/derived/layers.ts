import { isHighlight, type Mark, type MarkStyle } from '../marks/index.ts';
import { inOrder, type PageMarks } from '../document/index.ts';
import type { Box } from '../geometry/index.ts';
import { marksMeeting } from './pageIndex.ts';

/** Highlights of one ink and opacity: drawn as one, so that they never darken each other. */
export interface HighlightGroup {
  readonly style: MarkStyle;
  readonly marks: readonly Mark[];
}

/** What a page's marks are drawn as, from the paper upwards. */
export interface MarkLayers {
  /** Multiplied onto the page, group by group. */
  readonly highlights: readonly HighlightGroup[];
  /** Painted over, in order. */
  readonly over: readonly Mark[];
}

const kept = new WeakMap<PageMarks, MarkLayers>();

/**
 * Sorts marks into what is multiplied and what is painted; screen and PDF both follow this.
 * Kept as long as the page's marks are the same object.
 */
export function layersOf(marks: PageMarks): MarkLayers {
  let layers = kept.get(marks);
  if (!layers) kept.set(marks, (layers = sortedInto(inOrder(marks))));
  return layers;
}

/** Of these layers what meets a box; asks an index, so that few of many marks are soon found. */
export const layersMeeting = (marks: PageMarks, box: Box): MarkLayers =>
  sortedInto(marksMeeting(marks, box));

/** Marks from the lowest to the topmost, sorted into layers. */
export function sortedInto(marks: readonly Mark[]): MarkLayers {
  const groups = new Map<string, { style: MarkStyle; marks: Mark[] }>();
  const over: Mark[] = [];
  for (const mark of marks) {
    if (!isHighlight(mark)) {
      over.push(mark);
      continue;
    }
    const key = `${mark.style.colour} ${mark.style.opacity}`;
    const group = groups.get(key);
    if (group) group.marks.push(mark);
    else groups.set(key, { style: mark.style, marks: [mark] });
  }
  return { highlights: [...groups.values()], over };
}
