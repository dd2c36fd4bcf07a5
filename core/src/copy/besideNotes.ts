import type { Drawing, Item } from '../drawing/index.ts';
import {
  box,
  boxPath,
  displayMatrix,
  displaySize,
  framePath,
  invertMatrix,
  type Matrix,
  type PageBox,
  polygonPath,
  thenMatrix,
  transform,
  transformBox,
} from '../geometry/index.ts';
import { placeInOrder } from '../margin/index.ts';
import type { Fonts } from '../type/index.ts';
import type { TextSetter } from './copyFonts.ts';
import type { CopyNote } from './copyNote.ts';
import { type NoteCard, noteCard, shortCard } from './noteCard.ts';
import { PALE, SIGN_COLOUR } from './setNotes.ts';

/** The outer margin for notes, of the page's width, and no narrower or wider than this, points. */
const SHARE = 0.34;
const NARROWEST = 150;
const WIDEST = 230;
/** Around cards, and between two of them, points. */
const EDGE = 8;
const GAP = 5;
/** What a card is about is level with this place of it, points from its head. */
const LEVEL = 9;
/** Lines around cards and to their places. */
const LINE = 0.4;

/** The notes of a page beside it. */
export interface Beside {
  /** The page with a margin to its right, as it is seen. */
  readonly page: PageBox;
  readonly drawing: Drawing;
  /** Notes that have no room there. */
  readonly left: readonly CopyNote[];
}

/** Sets the notes of a page, which have their places on it, in an outer margin: level with what they are about as far as others let them. */
export function setBeside(
  notes: readonly CopyNote[],
  page: PageBox,
  fonts: Fonts,
  typesetter: TextSetter,
): Beside {
  const { width, height } = displaySize(page);
  const display = displayMatrix(page);
  const back = invertMatrix(display);
  const margin = Math.min(WIDEST, Math.max(NARROWEST, SHARE * width));
  const wide = margin - 2 * EDGE;
  const placed = notes
    .flatMap((note) => (note.place ? [{ note, at: transform(display, note.place.at).y }] : []))
    .sort((a, b) => a.at - b.at);
  const { cards, left } = fitting(
    placed.map(({ note }) => note),
    height - 2 * EDGE,
    (note) => noteCard(note, wide, fonts, typesetter),
    (note) => shortCard(note, wide, fonts, typesetter),
  );
  const heads = placeInOrder(
    cards.map((card, k) => ({ at: placed[k].at - LEVEL, height: card.height })),
    GAP,
    { from: EDGE, to: height - EDGE },
  );
  const area = (x: number, y: number, w: number, h: number, colour: string, opacity = 1): Item => ({
    is: 'fill',
    path: boxPath(box(x, y, x + w, y + h), back),
    paint: { colour, opacity },
  });
  const frame = (x: number, y: number, w: number, h: number): Item => ({
    is: 'fill',
    path: framePath(box(x, y, x + w, y + h), LINE, back),
    paint: { colour: PALE, opacity: 0.5 },
  });
  const drawing = [
    // What the page holds beyond its edge is not to be seen.
    area(width, 0, margin, height, '#ffffff'),
    area(width, 0, LINE, height, PALE, 0.5),
    ...cards.flatMap((card, k) => {
      const [x, y] = [width + EDGE, heads[k]];
      const level = Math.min(height, Math.max(0, placed[k].at));
      const line = lineBetween([width, level], [x, y + Math.min(LEVEL, card.height / 2)], back);
      // Set text has y up from its head; as the page is seen y is down.
      const hang: Matrix = [1, 0, 0, -1, x, y];
      return [
        line,
        area(x, y, wide, card.height, '#ffffff'),
        frame(x, y, wide, card.height),
        ...card.draw(thenMatrix(hang, back)),
      ];
    }),
  ];
  const seen = box(0, 0, width + margin, height);
  const { rotate, userUnit } = page;
  return { page: { box: transformBox(back, seen), rotate, userUnit }, drawing, left };
}

/** Cards that have room one beneath the other: the longest become short ones first, and the last go where not even those have room. */
function fitting(
  notes: readonly CopyNote[],
  room: number,
  whole: (note: CopyNote) => NoteCard,
  short: (note: CopyNote) => NoteCard,
): { readonly cards: readonly NoteCard[]; readonly left: readonly CopyNote[] } {
  const cards = notes.map(whole);
  const shortened = new Set<number>();
  const taken = (): number => cards.reduce((sum, { height }) => sum + height + GAP, -GAP);
  while (taken() > room && shortened.size < notes.length) {
    let longest = -1;
    cards.forEach(({ height }, k) => {
      if (!shortened.has(k) && (longest < 0 || height > cards[longest].height)) longest = k;
    });
    shortened.add(longest);
    cards[longest] = short(notes[longest]);
  }
  while (taken() > room && cards.length > 0) cards.pop();
  return { cards, left: notes.filter((_, k) => shortened.has(k)) };
}

/** A line as it is seen, as thin as those around cards. */
function lineBetween(from: readonly number[], to: readonly number[], back: Matrix): Item {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [(-dy / length) * (LINE / 2), (dx / length) * (LINE / 2)];
  const corners = [
    [from[0] + nx, from[1] + ny],
    [to[0] + nx, to[1] + ny],
    [to[0] - nx, to[1] - ny],
    [from[0] - nx, from[1] - ny],
  ];
  return {
    is: 'fill',
    path: polygonPath(corners.map(([x, y]) => transform(back, { x, y }))),
    paint: { colour: SIGN_COLOUR, opacity: 0.7 },
  };
}
