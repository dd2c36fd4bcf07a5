import { REMARK_WIDTH } from '../derived/index.ts';
import type { Drawing, Item } from '../drawing/index.ts';
import {
  box,
  framePath,
  growBox,
  mapPath,
  type Matrix,
  moveBy,
  transform,
} from '../geometry/index.ts';
import type { Fonts, TextStyle } from '../type/index.ts';
import type { TextSetter } from './copyFonts.ts';
import type { CopyNote } from './copyNote.ts';

/** What is free around the notes, points; on small pages no more than this share of the width. */
const MARGIN = 54;
const MOST_MARGIN = 0.12;
/** Remarks stand in by so much, so that numbers stand by themselves. */
const INDENT = 22;
/** A note begins where so much is left of the page, points. */
const ROOM = 60;

/** Pictures have so many pixels an inch where there is room for them, and are no wider and no higher than this, points. */
const PIXELS = 216;
const WIDEST = 300;
const HIGHEST = 220;
const FRAME = 0.5;

const HEADING: TextStyle = { face: 'sans-bold', size: 18 };
const NUMBER: TextStyle = { face: 'sans-bold', size: 10.5 };
const ASIDE: TextStyle = { face: 'sans', size: 8.5 };
const TEXT: TextStyle = { face: 'sans', size: 10.5, leading: 1.35 };

export const INK = '#1c2333';
export const PALE = '#55607a';
export const SIGN_COLOUR = '#a8261b';

/** Sets notes on pages of their own, one beneath the other, as they are numbered. */
export function setNotes(
  notes: readonly CopyNote[],
  page: { readonly width: number; readonly height: number },
  fonts: Fonts,
  { setText, placeText }: TextSetter,
): Drawing[] {
  const margin = Math.min(MARGIN, MOST_MARGIN * page.width);
  const foot = page.height - margin;
  const pages: Item[][] = [[]];
  /** From the head of the page. */
  let y = margin;
  const turn = (): void => {
    pages.push([]);
    y = margin;
  };
  /** Puts lines beneath what is there already, over as many pages as they take. */
  const put = (text: string, style: TextStyle, colour: string, indent = 0): void => {
    const width = page.width - 2 * margin - indent;
    const { lines, height } = setText(text, style, width, fonts);
    const step = height / lines.length;
    for (const line of lines) {
      if (y + step > foot && y > margin) turn();
      // Set text hangs from its own head: this line's goes where the page has come to.
      const by = { x: margin + indent, y: page.height - y + (line.baseline - lines[0].baseline) };
      for (const run of placeText({ lines: [line] }, moveBy(by)))
        pages[pages.length - 1].push({ is: 'glyphs', run, paint: { colour, opacity: 1 } });
      y += step;
    }
  };
  /** Puts what is written beneath it, whole, no wider than the lines and no higher than a page. */
  const draw = (drawing: Drawing, height: number): void => {
    const width = page.width - 2 * margin - INDENT;
    const scale = Math.min(1, width / REMARK_WIDTH, (foot - margin) / height);
    if (y + scale * height > foot && y > margin) turn();
    const to: Matrix = [scale, 0, 0, scale, margin + INDENT, page.height - y];
    for (const item of drawing)
      if (item.is === 'fill')
        pages[pages.length - 1].push({
          ...item,
          path: mapPath(item.path, (px, py) => transform(to, { x: px, y: py })),
        });
    y += scale * height;
  };
  /** Puts a picture beneath it, whole. */
  const show = ({ source, width, height }: NonNullable<CopyNote['picture']>): void => {
    const room = page.width - 2 * margin - INDENT;
    const most = Math.min(HIGHEST, foot - margin);
    const scale = Math.min(72 / PIXELS, Math.min(WIDEST, room) / width, most / height);
    const [wide, high] = [scale * width, scale * height];
    if (y + high > foot && y > margin) turn();
    const [left, under] = [margin + INDENT, page.height - y - high];
    const frame = framePath(growBox(box(left, under, left + wide, under + high), FRAME), FRAME);
    const place: Matrix = [wide, 0, 0, high, left, under];
    pages[pages.length - 1].push(
      { is: 'fill', path: frame, paint: { colour: PALE, opacity: 0.5 } },
      { is: 'picture', source, place, opacity: 1 },
    );
    y += high;
  };
  put('Notes', HEADING, INK);
  y += 8;
  for (const { number, about, remarks, task, picture, labels, settled } of notes) {
    if (y + ROOM > foot) turn();
    const beside = y;
    put(String(number), NUMBER, SIGN_COLOUR);
    y = beside + (NUMBER.size - ASIDE.size);
    put(about, ASIDE, PALE, INDENT);
    for (const { by, text, ink } of remarks) {
      y += 4;
      if (by !== '') put(by, ASIDE, PALE, INDENT);
      if (ink) draw(ink.drawing, ink.height);
      if (text !== '') put(text, TEXT, INK, INDENT);
    }
    for (const said of [task, labels.join(', '), settled]) {
      if (said === '') continue;
      y += 2;
      put(said, ASIDE, PALE, INDENT);
    }
    if (picture) {
      y += 4;
      show(picture);
    }
    y += 14;
  }
  return pages;
}
