import {
  displayMatrix,
  displaySize,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { dotNear } from '@marginalis/core/print';
import { paperBrightness } from './paperBrightness';
import type { StageController } from './StageController';

/** Paper that is looked at beyond the reach, so that a dot is seen whole, points. */
const ROOM = 10;
/** Resolution of what is looked at, pixels a point. */
const LEAST = 1.5;
const MOST = 3;

/** Finds the dots printed on a page, in its user space, by looking at the paper as it is drawn. */
export function printedDotOn(
  stage: StageController,
  index: number,
): (at: Vec, reach: number) => Vec | null {
  return (at, reach) => {
    const element = stage.elementOf(index);
    const page = stage.pages[index];
    if (!element || !page) return null;
    const rect = element.getBoundingClientRect();
    const zoom = rect.width / displaySize(page).width;
    if (!(zoom > 0)) return null;
    const pixelsPerPoint = Math.min(MOST, Math.max(LEAST, zoom * window.devicePixelRatio));
    const seen = transform(displayMatrix(page), at);
    const corner = { x: seen.x - reach - ROOM, y: seen.y - reach - ROOM };
    const size = Math.ceil(2 * (reach + ROOM) * pixelsPerPoint);
    const brightness = paperBrightness(element, size, size, {
      x: rect.left + corner.x * zoom,
      y: rect.top + corner.y * zoom,
      scale: pixelsPerPoint / zoom,
    });
    if (!brightness) return null;
    const middle = {
      x: (seen.x - corner.x) * pixelsPerPoint,
      y: (seen.y - corner.y) * pixelsPerPoint,
    };
    const dot = dotNear(
      { width: size, height: size, brightness, pixelsPerPoint },
      middle,
      reach * pixelsPerPoint,
    );
    if (!dot) return null;
    const found: Vec = {
      x: corner.x + dot.x / pixelsPerPoint,
      y: corner.y + dot.y / pixelsPerPoint,
    };
    return transform(invertMatrix(displayMatrix(page)), found);
  };
}
