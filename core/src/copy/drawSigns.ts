import type { Drawing } from '../drawing/index.ts';
import {
  box,
  boxPath,
  displayMatrix,
  displaySize,
  invertMatrix,
  type Matrix,
  type PageBox,
  thenMatrix,
  transform,
} from '../geometry/index.ts';
import { placeSigns, type PlacedSign } from '../margin/index.ts';
import type { Fonts, TextStyle } from '../type/index.ts';
import type { TextSetter } from './copyFonts.ts';
import type { CopyNote } from './copyNote.ts';
import { SIGN_COLOUR } from './setNotes.ts';

const STYLE: TextStyle = { face: 'sans-bold', size: 7.5 };
/** Points. */
const HEIGHT = 11;
const ROOM = { height: HEIGHT, gap: 1.5, edge: 5 };
/** Around its number. */
const PAD = 3;

/** The numbers of a page's notes at their places, upright as the page is seen. */
export function drawSigns(
  notes: readonly CopyNote[],
  page: PageBox,
  fonts: Fonts,
  typesetter: TextSetter,
): Drawing {
  const display = displayMatrix(page);
  const back = invertMatrix(display);
  const wanted = notes.flatMap(({ number, place }) =>
    place ? [{ number, at: transform(display, place.at), inMargin: place.inMargin }] : [],
  );
  return placeSigns(wanted, displaySize(page), ROOM).flatMap((sign, k) =>
    signAt(wanted[k].number, sign, back, fonts, typesetter),
  );
}

/** A number on its ground, as the page is seen. */
function signAt(
  number: number,
  { at: { x, y }, side }: PlacedSign,
  back: Matrix,
  fonts: Fonts,
  { setText, placeText }: TextSetter,
): Drawing {
  const text = setText(String(number), STYLE, Infinity, fonts);
  const wide = Math.max(HEIGHT, text.width + 2 * PAD);
  const left = side === 'left' ? x : side === 'right' ? x - wide : x - wide / 2;
  const top = y - HEIGHT / 2;
  const ground = boxPath(box(left, top, left + wide, top + HEIGHT), back);
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
    { is: 'fill', path: ground, paint: { colour: SIGN_COLOUR, opacity: 1 } },
    ...placeText(text, thenMatrix(hang, back)).map(
      (run) => ({ is: 'glyphs', run, paint: { colour: '#ffffff', opacity: 1 } }) as const,
    ),
  ];
}
