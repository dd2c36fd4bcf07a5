import type { Box } from '@marginalis/core/geometry';

/** Between a chip and what it is about, and between it and the window's edge, CSS pixels. */
const GAP = 8;
const EDGE = 4;
/** The outer margin of a page: what of its width rarely holds print. */
const MARGIN = 0.12;

export interface ChipPlace {
  readonly left: number;
  readonly top: number;
}

/**
 * Where a chip stands, all in CSS pixels from the page's upper left corner: where the writing hand and the next line are not.
 * For a right hand: in the outer margin to the left, level with what it is about; else above it; else beside it, to the left,
 * then to the right. Below, where the hand rests and the next line comes, only where all that has no room, and over it only
 * where it fills the window. Mirrored for a left hand.
 */
export function chipPlace(
  around: Box,
  size: { readonly width: number; readonly height: number },
  /** What the window shows. */
  seen: Box,
  pageWidth: number,
  hand: 'right' | 'left',
): ChipPlace {
  if (hand === 'right') return placeForRight(around, size, seen, pageWidth);
  const mirror = (b: Box): Box => ({ ...b, minX: pageWidth - b.maxX, maxX: pageWidth - b.minX });
  const place = placeForRight(mirror(around), size, mirror(seen), pageWidth);
  return { left: pageWidth - place.left - size.width, top: place.top };
}

function placeForRight(
  around: Box,
  { width, height }: { readonly width: number; readonly height: number },
  seen: Box,
  pageWidth: number,
): ChipPlace {
  const within = (at: number, from: number, to: number): number =>
    Math.max(from + EDGE, Math.min(at, to - EDGE));
  const level = within((around.minY + around.maxY - height) / 2, seen.minY, seen.maxY - height);
  const onLeft = around.minX - GAP - width;
  const hasLeft = onLeft >= seen.minX + EDGE;
  if (hasLeft && onLeft + width <= MARGIN * pageWidth) return { left: onLeft, top: level };
  const above = around.minY - GAP - height;
  const along = within(around.minX, seen.minX, seen.maxX - width);
  if (above >= seen.minY + EDGE) return { left: along, top: Math.min(above, seen.maxY - height) };
  if (hasLeft) return { left: onLeft, top: level };
  const onRight = around.maxX + GAP;
  if (onRight + width <= seen.maxX - EDGE) return { left: onRight, top: level };
  const below = around.maxY + GAP;
  if (below + height <= seen.maxY - EDGE) return { left: along, top: below };
  return { left: along, top: seen.minY + EDGE };
}
