import { REMARK_WIDTH } from '../derived/index.ts';
import type { Item } from '../drawing/index.ts';
import { mapPath, type Matrix, moveBy, thenMatrix, transform } from '../geometry/index.ts';
import type { Fonts, SetText, TextStyle } from '../type/index.ts';
import type { TextSetter } from './copyFonts.ts';
import type { CopyNote } from './copyNote.ts';
import { PALE, INK, SIGN_COLOUR } from './setNotes.ts';

const NUMBER: TextStyle = { face: 'sans-bold', size: 8 };
const ASIDE: TextStyle = { face: 'sans', size: 6.5 };
const TEXT: TextStyle = { face: 'sans', size: 8, leading: 1.3 };
/** Around what a card says, and between what is said by one and by another, points. */
const PAD = 4;
const BETWEEN = 3;
/** What is said of a note stands in by so much, beside its number. */
const BESIDE_NUMBER = 12;
/** No picture is higher, points. */
const PICTURE = 80;

/** A note as a card: how high it is, and what it draws. */
export interface NoteCard {
  readonly height: number;
  /** `place` leads from its upper left corner, y up, to user space. */
  draw(place: Matrix): Item[];
}

/** A card of what a note says, no wider than `width` points. */
export function noteCard(
  note: CopyNote,
  width: number,
  fonts: Fonts,
  typesetter: TextSetter,
): NoteCard {
  const { number, remarks, task, picture, labels, settled } = note;
  const column = new Column(width - 2 * PAD, fonts, typesetter);
  const [first] = remarks;
  column.beside(String(number), first?.by ?? '');
  remarks.forEach(({ by, text, ink }, k) => {
    if (k > 0) column.space(BETWEEN);
    if (k > 0) column.text(by, ASIDE, PALE);
    if (ink) {
      const scale = Math.min(1, column.width / REMARK_WIDTH);
      column.put(scale * ink.height, (to) => {
        const map = thenMatrix([scale, 0, 0, scale, 0, 0], to);
        return ink.drawing.flatMap((item): Item[] =>
          item.is === 'fill'
            ? [{ ...item, path: mapPath(item.path, (x, y) => transform(map, { x, y })) }]
            : [],
        );
      });
    }
    column.text(text, TEXT, INK);
  });
  for (const said of [task, labels.join(', '), settled]) column.text(said, ASIDE, PALE);
  if (picture) {
    const scale = Math.min(column.width / picture.width, PICTURE / picture.height);
    const [wide, high] = [scale * picture.width, scale * picture.height];
    column.space(BETWEEN);
    column.put(high, (to) => [
      {
        is: 'picture',
        source: picture.source,
        place: thenMatrix([wide, 0, 0, high, 0, -high], to),
        opacity: 1,
      },
    ]);
  }
  return column.card();
}

/** A card that says where a note is to be found that has no room. */
export function shortCard(
  { number }: CopyNote,
  width: number,
  fonts: Fonts,
  typesetter: TextSetter,
): NoteCard {
  const column = new Column(width - 2 * PAD, fonts, typesetter);
  column.beside(String(number), 'At the end');
  return column.card();
}

/** Things one beneath the other. */
class Column {
  private readonly parts: { readonly top: number; draw(to: Matrix): Item[] }[] = [];
  private y = PAD;

  constructor(
    readonly width: number,
    private readonly fonts: Fonts,
    private readonly typesetter: TextSetter,
  ) {}

  space(by: number): void {
    this.y += by;
  }

  put(height: number, draw: (to: Matrix) => Item[]): void {
    this.parts.push({ top: this.y, draw });
    this.y += height;
  }

  text(text: string, style: TextStyle, colour: string): void {
    if (text === '') return;
    const set = this.typesetter.setText(text, style, this.width, this.fonts);
    this.put(set.height, (to) => this.glyphs(set, colour, to));
  }

  /** A number, and beside it what is said of it. */
  beside(number: string, aside: string): void {
    const { setText } = this.typesetter;
    const head = setText(number, NUMBER, Infinity, this.fonts);
    const indent = Math.max(BESIDE_NUMBER, head.width + BETWEEN);
    const said = setText(aside, ASIDE, this.width - indent, this.fonts);
    const down = NUMBER.size - ASIDE.size;
    this.put(Math.max(head.height, aside === '' ? 0 : said.height + down), (to) => [
      ...this.glyphs(head, SIGN_COLOUR, to),
      ...(aside === ''
        ? []
        : this.glyphs(said, PALE, thenMatrix(moveBy({ x: indent, y: -down }), to))),
    ]);
  }

  card(): NoteCard {
    const { parts } = this;
    return {
      height: this.y + PAD,
      draw: (place) =>
        parts.flatMap(({ top, draw }) => draw(thenMatrix(moveBy({ x: PAD, y: -top }), place))),
    };
  }

  private glyphs(set: SetText, colour: string, to: Matrix): Item[] {
    return this.typesetter
      .placeText(set, to)
      .map((run) => ({ is: 'glyphs', run, paint: { colour, opacity: 1 } }));
  }
}
