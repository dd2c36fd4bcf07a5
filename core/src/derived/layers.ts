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

/** Sorts a page's marks into what is multiplied and what is painted; the PDF follows this. */
export const layersOf = (marks: PageMarks): MarkLayers => layersFrom(inOrder(marks));

/** The same for the marks that meet a box: what the screen paints. */
export const layersMeeting = (marks: PageMarks, box: Box): MarkLayers =>
  layersFrom(marksMeeting(marks, box));

/** Marks, given from the lowest to the topmost, in layers. */
export function layersFrom(marks: readonly Mark[]): MarkLayers {
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
