import {
  boxCentre,
  displayMatrix,
  displaySize,
  invertMatrix,
  type Matrix,
  type PageBox,
  thenMatrix,
  transform,
  type Vec,
} from '../geometry/index.ts';

/** A picture that says nothing else has so many pixels an inch: common practice, no source. */
const DPI = 96;
/** Points an inch. */
const INCH = 72;
/** Of what is seen of a page a picture takes so much at first, at most. */
const SHARE = 0.6;

interface Size {
  readonly width: number;
  readonly height: number;
}

/**
 * Where a picture comes to lie when it is put on a page: upright as the page is seen, its middle at `at`, no larger than leaves room around it, and whole on the page.
 * @param pixels of the picture, turned as it is to be seen
 * @param at in user space; the middle of the page without
 * @returns what carries the unit square (0,0)–(1,1), y up, there
 */
export function placeOnPage(page: PageBox, pixels: Size, at: Vec | null = null): Matrix {
  const seen = displaySize(page);
  const display = displayMatrix(page);
  const natural = INCH / DPI;
  const scale = Math.min(
    natural,
    (SHARE * seen.width) / pixels.width,
    (SHARE * seen.height) / pixels.height,
  );
  const [width, height] = [scale * pixels.width, scale * pixels.height];
  const { x, y } = transform(display, at ?? boxCentre(page.box));
  const left = within(x - width / 2, seen.width - width);
  const top = within(y - height / 2, seen.height - height);
  // As it is seen y goes down.
  return thenMatrix([width, 0, 0, -height, left, top + height], invertMatrix(display));
}

const within = (from: number, most: number): number => Math.min(Math.max(0, from), most);

/** How long the sides of a place are, points: along the picture and across. */
const sidesOf = ([a, b, c, d]: Matrix): Size => ({
  width: Math.hypot(a, b),
  height: Math.hypot(c, d),
});

/**
 * How many pixels a place has at so many dots an inch.
 * @param userUnit how long the points of its page are, in 1/72 inch
 */
export function pixelsIn(place: Matrix, dpi: number, userUnit = 1): Size {
  const { width, height } = sidesOf(place);
  const pixels = (side: number): number => Math.max(1, Math.ceil((side * userUnit * dpi) / INCH));
  return { width: pixels(width), height: pixels(height) };
}

/** How many pixels of a picture are seen where its place has so many: never more than it has, and in its own proportions. */
export function pixelsWanted(picture: Size, place: Size): Size {
  const share = Math.min(1, Math.max(place.width / picture.width, place.height / picture.height));
  return {
    width: Math.max(1, Math.round(share * picture.width)),
    height: Math.max(1, Math.round(share * picture.height)),
  };
}
