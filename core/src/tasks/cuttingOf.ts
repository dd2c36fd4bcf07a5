import type { ListedMark } from '../derived/index.ts';
import { cropPage, type Page } from '../document/index.ts';
import {
  type Box,
  displayMatrix,
  growBox,
  intersectBoxes,
  invertMatrix,
  transformBox,
} from '../geometry/index.ts';

/** So much is seen around what a task is about, and at least so much of the page, points. */
const AROUND = 18;
const WIDE = 240;
const HIGH = 120;

/** A page cut down to what a task on it is about and a little around it; never to what the person has cut off. */
export function cuttingOf({ box }: Pick<ListedMark, 'box'>, page: Page): Page {
  const back = invertMatrix(displayMatrix(page));
  const wanted = transformBox(back, atLeast(growBox(box, AROUND)));
  return cropPage(page, intersectBoxes(wanted, page.box));
}

function atLeast({ minX, minY, maxX, maxY }: Box): Box {
  const x = Math.max(0, (WIDE - (maxX - minX)) / 2);
  const y = Math.max(0, (HIGH - (maxY - minY)) / 2);
  return { minX: minX - x, minY: minY - y, maxX: maxX + x, maxY: maxY + y };
}
