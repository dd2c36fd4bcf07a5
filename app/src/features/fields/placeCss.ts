import type { Page } from '@marginalis/core/document';
import type { FormWidget } from '@marginalis/core/fields';
import { displayMatrix, displaySize, thenMatrix, transform } from '@marginalis/core/geometry';
import { placeOfWidget } from '@marginalis/core/kinds';

/** Where a place lies on a page as it is seen, upright to whoever reads it, in shares of the page and points. */
export function placeCss(page: Page, widget: FormWidget) {
  const { place, width, height } = placeOfWidget(widget);
  const matrix = thenMatrix(place, displayMatrix(page));
  const corner = transform(matrix, { x: 0, y: 0 });
  const along = transform(matrix, { x: width, y: 0 });
  const angle = Math.atan2(along.y - corner.y, along.x - corner.x);
  const size = displaySize(page);
  const unit = Math.hypot(along.x - corner.x, along.y - corner.y) / width;
  return {
    width: width * unit,
    height: height * unit,
    isUpright: angle === 0,
    css: {
      position: 'absolute',
      left: `${(100 * corner.x) / size.width}%`,
      top: `${(100 * corner.y) / size.height}%`,
      width: `calc(${width * unit} * var(--point))`,
      height: `calc(${height * unit} * var(--point))`,
      transformOrigin: '0 0',
      transform: angle === 0 ? undefined : `rotate(${angle}rad)`,
    },
  } as const;
}
