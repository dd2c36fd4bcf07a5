import { box, type Box, boxHolds, growBox } from '@marginalis/core/geometry';

/** Between a chip and what it is about, and between it and the window's edge, CSS pixels. */
const GAP = 8;
const EDGE = 4;
/** The outer margin of a page: what of its width rarely holds print. */
const MARGIN = 0.12;

/** What of a chip is touched; what of it is seen is less by the inset above and below: no more than a line of print, CSS pixels. */
export const CHIP_HEIGHT = 44;
export const INSET = 7;

export interface ChipPlace {
  readonly left: number;
  readonly top: number;
}

interface ChipRoom {
  /** What the chip is about. */
  readonly around: Box;
  readonly size: { readonly width: number; readonly height: number };
  /** What the window shows. */
  readonly seen: Box;
  /** What was written lately: the line being worked on. */
  readonly ink: readonly Box[];
  readonly pageWidth: number;
  /** At the head of the window, clear of what it is about, where it would lie over ink anywhere near. */
  readonly docks?: boolean;
}

/**
 * Where a chip stands, all in CSS pixels from the page's upper left corner: where the writing hand and the next line are not.
 * For a right hand: in the outer margin to the left, level with what it is about; else above it, over its beginning or its end; else beside it, to the left,
 * then to the right. Below, where the hand rests and the next line comes, only where all that has no room, and over it only
 * where it fills the window. Of these the one that hides the least of the ink. Mirrored for a left hand.
 */
export function chipPlace(room: ChipRoom, hand: 'right' | 'left'): ChipPlace {
  if (hand === 'right') return placeForRight(room);
  const { pageWidth, size } = room;
  const mirror = (b: Box): Box => ({ ...b, minX: pageWidth - b.maxX, maxX: pageWidth - b.minX });
  const place = placeForRight({
    ...room,
    around: mirror(room.around),
    seen: mirror(room.seen),
    ink: room.ink.map(mirror),
  });
  return { left: pageWidth - place.left - size.width, top: place.top };
}

function placeForRight({ around, size, seen, ink, pageWidth, docks }: ChipRoom): ChipPlace {
  const { width, height } = size;
  const within = (at: number, from: number, to: number): number =>
    Math.max(from + EDGE, Math.min(at, to - EDGE));
  const level = within((around.minY + around.maxY - height) / 2, seen.minY, seen.maxY - height);
  const along = within(around.minX, seen.minX, seen.maxX - width);
  const left = { left: around.minX - GAP - width, top: level };
  const right = { left: around.maxX + GAP, top: level };
  const above = {
    left: along,
    top: Math.min(around.minY - GAP - height, seen.maxY - height - EDGE),
  };
  const atEnd = within(around.maxX - width, seen.minX, seen.maxX - width);
  const aboveEnd = { left: atEnd, top: above.top };
  const below = { left: along, top: around.maxY + GAP };
  const isInMargin = left.left + width <= MARGIN * pageWidth;
  const all = isInMargin
    ? [left, above, aboveEnd, right, below]
    : [above, aboveEnd, left, right, below];
  const head = { left: along, top: seen.minY + EDGE };
  const fitting = all.filter((place) => boxHolds(growBox(seen, -EDGE), boxAt(place, size)));
  const hidden = (place: ChipPlace): number => {
    const bar = boxAt(
      { ...place, top: place.top + INSET },
      { ...size, height: size.height - 2 * INSET },
    );
    return ink.reduce((sum, one) => sum + sharedArea(one, bar), 0);
  };
  const least = Math.min(...fitting.map(hidden));
  // What is near is what one needs to see.
  if (docks && least > 0 && head.top + height < around.minY)
    return { ...head, left: (seen.minX + seen.maxX - width) / 2 };
  return fitting.find((place) => hidden(place) <= least) ?? head;
}

const sharedArea = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.maxX, b.maxX) - Math.max(a.minX, b.minX)) *
  Math.max(0, Math.min(a.maxY, b.maxY) - Math.max(a.minY, b.minY));

const boxAt = ({ left, top }: ChipPlace, { width, height }: ChipRoom['size']): Box =>
  box(left, top, left + width, top + height);
