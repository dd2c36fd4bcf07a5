import type { Drawing, Item } from '../../drawing/index.ts';
import {
  displayMatrix,
  displaySize,
  invertMatrix,
  type Matrix,
  type PageBox,
  PathBuilder,
  thenMatrix,
  transform,
  type Vec,
} from '../../geometry/index.ts';
import { placeInOrder } from '../../margin/index.ts';
import type { Fonts, TextStyle, Typesetter } from '../../type/index.ts';
import type { CopyNote } from './copyNote.ts';
import { SIGN_COLOUR } from './setNotes.ts';

const STYLE: TextStyle = { face: 'sans-bold', size: 7.5 };
/** Of a sign, between two, around its number, and between it and the edge of the page, points. */
const HEIGHT = 11;
const GAP = 1.5;
const PAD = 3;
const EDGE = 5;

/** The numbers of a page's notes at their places, upright as the page is seen. */
export function drawSigns(
  notes: readonly CopyNote[],
  page: PageBox,
  fonts: Fonts,
  typesetter: Pick<Typesetter, 'setText' | 'placeText'>,
): Drawing {
  const display = displayMatrix(page);
  const back = invertMatrix(display);
  const { width, height } = displaySize(page);
  const signs = notes.flatMap(({ number, place }) =>
    place ? [{ number, at: transform(display, place.at), inMargin: place.inMargin }] : [],
  );
  const items: Item[] = [];
  const draw = (number: number, at: Vec, side: -1 | 0 | 1): void =>
    void items.push(...signAt(number, at, side, back, fonts, typesetter));
  for (const { number, at, inMargin } of signs) if (!inMargin) draw(number, at, 0);
  for (const side of [-1, 1] as const) {
    const here = signs
      .filter(({ at, inMargin }) => inMargin && (at.x < width / 2 ? -1 : 1) === side)
      .sort((a, b) => a.at.y - b.at.y);
    const wanted = here.map(({ at }) => ({ at: at.y, height: HEIGHT }));
    const x = side < 0 ? EDGE : width - EDGE;
    // Places are the middles of signs.
    const within = { from: HEIGHT / 2 + EDGE, to: height + HEIGHT / 2 - EDGE };
    placeInOrder(wanted, GAP, within).forEach((y, k) => draw(here[k].number, { x, y }, side));
  }
  return items;
}

/** A number on its ground: beginning, in the middle, or ending at a place, as the page is seen. */
function signAt(
  number: number,
  { x, y }: Vec,
  side: -1 | 0 | 1,
  back: Matrix,
  fonts: Fonts,
  { setText, placeText }: Pick<Typesetter, 'setText' | 'placeText'>,
): Drawing {
  const text = setText(String(number), STYLE, Infinity, fonts);
  const wide = Math.max(HEIGHT, text.width + 2 * PAD);
  const left = side < 0 ? x : side > 0 ? x - wide : x - wide / 2;
  const top = y - HEIGHT / 2;
  const ground = new PathBuilder();
  const corners = [
    [left, top],
    [left + wide, top],
    [left + wide, top + HEIGHT],
    [left, top + HEIGHT],
  ].map(([cx, cy]) => transform(back, { x: cx, y: cy }));
  corners.forEach((corner, k) =>
    k === 0 ? ground.moveTo(corner.x, corner.y) : ground.lineTo(corner.x, corner.y),
  );
  ground.closePath();
  // Set text has y up from its head; as the page is seen y is down.
  const hang: Matrix = [
    1,
    0,
    0,
    -1,
    left + (wide - text.width) / 2,
    top + (HEIGHT - text.height) / 2,
  ];
  return [
    { is: 'fill', path: ground.build(), paint: { colour: SIGN_COLOUR, opacity: 1 } },
    ...placeText(text, thenMatrix(hang, back)).map(
      (run) => ({ is: 'glyphs', run, paint: { colour: '#ffffff', opacity: 1 } }) as const,
    ),
  ];
}
