import type { Figure } from '../figures/index.ts';
import {
  displayMatrix,
  displaySize,
  invertMatrix,
  type Matrix,
  moveBy,
  type PageBox,
  thenMatrix,
  transform,
  type Vec,
} from '../geometry/index.ts';
import { type FigureMark, kindFor, type StampMark, type TextMark } from '../kinds/index.ts';
import type { MarkId, PageId } from '../marks/index.ts';
import type { TextBlock } from '../type/index.ts';
import type { StampDesign, StampForm } from './design.ts';

/** Line to line, of the size: words of a stamp stand on one line. */
const LEADING = 1.25;
/** Lines around them, points. */
const LINE = 1.4;
const THIN = 0.6;
/** Between words and line, of the size. */
const ROOM = { across: 0.7, along: 0.3 };

/** What a stamp says, to be measured: no line of it breaks. */
export const wordsOfStamp = (
  { colour, size }: Pick<StampDesign, 'colour' | 'size'>,
  text: string,
): TextBlock => ({
  spans: [
    {
      text,
      style: { family: 'sans', size, bold: true, italic: false, underline: false, colour },
    },
  ],
  width: 10_000,
  align: 'start',
  leading: LEADING,
});

export interface NewStamp {
  readonly id: MarkId;
  readonly page: PageId;
  readonly order: number;
  readonly madeAt: number;
  /** Nobody when left out or empty. */
  readonly author?: string;
  /** What it says, filled in. */
  readonly text: string;
  /** How wide that is when it is set (`wordsOfStamp`), points. */
  readonly width: number;
  /** Gives its parts ids. */
  readonly newId: () => MarkId;
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** A stamp with its middle at 0, 0, y up, upright. */
export function makeStamp(design: StampDesign, asked: NewStamp): StampMark {
  const { id, page, order, madeAt, author, text, newId } = asked;
  const { form, colour, size } = design;
  const base = { page, order, madeAt };
  const height = size * LEADING;
  // Wider by a little: other faces, when one is missing, may be.
  const width = asked.width + 1;
  const room: Size = {
    width: width + 2 * ROOM.across * size,
    height: height + 2 * ROOM.along * size,
  };
  const words: TextMark = {
    ...base,
    kind: 'text',
    id: newId(),
    style: { colour, width: 1, opacity: 1 },
    at: { x: -width / 2, y: height / 2 },
    angle: 0,
    block: { ...wordsOfStamp(design, text), width, align: 'centre' },
    height,
    padding: 0,
    background: null,
    border: 0,
  };
  const lines = linesOf(form, room).map(([figure, line]): FigureMark => ({
    ...base,
    kind: 'figure',
    id: newId(),
    style: { colour, width: line, opacity: 1 },
    figure,
    dash: 'none',
    fill: null,
    from: [],
  }));
  return {
    ...base,
    kind: 'stamp',
    id,
    style: { colour, width: LINE, opacity: 1 },
    ...(author ? { author } : {}),
    parts: [...lines, words],
  };
}

const frame = ({ width, height }: Size, out = 0): Figure => ({
  kind: 'rectangle',
  centre: { x: 0, y: 0 },
  width: width + 2 * out,
  height: height + 2 * out,
  angle: 0,
});

/** What is drawn around words that take so much room, and how wide its lines are. */
function linesOf(form: StampForm, size: Size): readonly (readonly [Figure, number])[] {
  const [x, y] = [size.width / 2, size.height / 2];
  const polygon = (...corners: readonly (readonly [number, number])[]): Figure => ({
    kind: 'polygon',
    corners: corners.map(([cx, cy]) => ({ x: cx, y: cy })),
  });
  switch (form) {
    case 'frame':
      return [[frame(size), LINE]];
    case 'double':
      return [
        [frame(size, 2.4), LINE],
        [frame(size), THIN],
      ];
    case 'ring':
      return [
        [{ kind: 'ellipse', centre: { x: 0, y: 0 }, rx: 1.18 * x, ry: 1.5 * y, angle: 0 }, LINE],
      ];
    case 'pennant':
      return [[polygon([-x, y], [x + y, y], [x + 0.3 * y, 0], [x + y, -y], [-x, -y]), LINE]];
    case 'tag':
      return [[polygon([-x - y, 0], [-x, y], [x, y], [x, -y], [-x, -y]), LINE]];
    case 'underlined':
      return [
        [{ kind: 'line', from: { x: -x, y: -y }, to: { x, y: -y } }, LINE],
        [{ kind: 'line', from: { x: -x, y: -y - 2.4 }, to: { x, y: -y - 2.4 } }, THIN],
      ];
  }
}

/**
 * A stamp on a page: upright as the page is seen, its middle near `at`, and whole on the page where it has room.
 * @param at in user space
 */
export function stampAt(stamp: StampMark, page: PageBox, at: Vec): StampMark {
  const kind = kindFor(stamp);
  const b = kind.roughBounds(stamp);
  const seen = displaySize(page);
  const display = displayMatrix(page);
  const { x, y } = transform(display, at);
  const to = {
    x: within(x, -b.minX, seen.width - b.maxX),
    y: within(y, b.maxY, seen.height + b.minY),
  };
  // Points of the stamp are those of paper; as it is seen y goes down.
  const upright: Matrix = thenMatrix([1, 0, 0, -1, 0, 0], moveBy(to));
  return kind.carry(stamp, thenMatrix(upright, invertMatrix(display)), {}) as StampMark;
}

const within = (wanted: number, least: number, most: number): number =>
  least > most ? (least + most) / 2 : Math.min(Math.max(wanted, least), most);
