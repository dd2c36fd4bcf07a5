import {
  type Box,
  box,
  EMPTY_BOX,
  intersectBoxes,
  isEmptyBox,
  pathBounds,
  transformBox,
  uniteBoxes,
} from '../geometry/index.ts';
import { runBox } from '../type/index.ts';
import type { Drawing, Item } from './drawing.ts';

const UNIT = box(0, 0, 1, 1);

function itemBounds(item: Item): Box {
  switch (item.is) {
    case 'fill':
      return pathBounds(item.path);
    case 'glyphs':
      return runBox(item.run);
    case 'text':
      return transformBox(item.place, box(0, -item.height, item.width, 0));
    case 'picture':
      return transformBox(item.place, UNIT);
    case 'group': {
      const inner = drawingBounds(item.items);
      if (!item.clip) return inner;
      const seen = intersectBoxes(inner, pathBounds(item.clip));
      return isEmptyBox(seen) ? EMPTY_BOX : seen;
    }
  }
}

/** The box around everything a drawing may touch, control points included; empty for an empty drawing. */
export const drawingBounds = (drawing: Drawing): Box =>
  // Most are one fill, and a page has thousands.
  drawing.length === 1
    ? itemBounds(drawing[0])
    : drawing.map(itemBounds).reduce(uniteBoxes, EMPTY_BOX);
