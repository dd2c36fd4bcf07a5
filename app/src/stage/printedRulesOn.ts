import { displaySize } from '@marginalis/core/geometry';
import { type PrintedRule, rulesIn } from '@marginalis/core/print';
import { paperBrightness } from './paperBrightness';
import type { StageController } from './StageController';

/** Resolution of what is looked at, pixels a point: a hairline is seen, and little else to go through. */
const SCALE = 2;

/** The rules printed where the window shows a page, points from the page's upper left corner as seen. */
export function printedRulesOn(stage: StageController, index: number): readonly PrintedRule[] {
  const element = stage.elementOf(index);
  const page = stage.pages[index];
  if (!element || !page) return [];
  const rect = element.getBoundingClientRect();
  const size = displaySize(page);
  const zoom = rect.width / size.width;
  if (!(zoom > 0)) return [];
  const [left, top] = stage.cornerOf(index).map((at) => Math.max(0, -at / zoom));
  const view = stage.getView();
  const width = Math.ceil(Math.min(view.width / zoom, size.width - left) * SCALE);
  const height = Math.ceil(Math.min(view.height / zoom, size.height - top) * SCALE);
  if (!(width > 0) || !(height > 0)) return [];
  const brightness = paperBrightness(element, width, height, {
    x: rect.left + left * zoom,
    y: rect.top + top * zoom,
    scale: SCALE / zoom,
  });
  if (!brightness) return [];
  // A rule that goes on beyond what is seen is taken to go on to about the same margin.
  const seenTo = left + width / SCALE;
  return rulesIn({ width, height, brightness, pixelsPerPoint: SCALE }).map(({ y, from, to }) => ({
    y: top + y,
    from: left + from,
    to: left + to > seenTo - 2 ? size.width - Math.min(left + from, size.width / 4) : left + to,
  }));
}
