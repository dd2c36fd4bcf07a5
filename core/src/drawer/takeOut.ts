import { roughBoundsOf } from '../derived/index.ts';
import {
  type Attachment,
  type DocState,
  findPage,
  markChange,
  marksOn,
  nextOrder,
  type Page,
  type Transaction,
} from '../document/index.ts';
import {
  boundsOfAll,
  carryMark,
  missingAttachments,
  pageMap,
  renewedMarks,
} from '../editing/index.ts';
import {
  type Box,
  boxCentre,
  boxHeight,
  boxWidth,
  displayMatrix,
  invertMatrix,
  mapAsSeen,
  middleOn,
  moveBy,
  scaleAbout,
  thenMatrix,
  transform,
  transformBox,
  type Vec,
} from '../geometry/index.ts';
import { asStamp, asSignature, asText, type Mark, type TextMark } from '../kinds/index.ts';
import type { MarkBase, MarkId } from '../marks/index.ts';
import { type StampFields, withFields } from '../stamps/index.ts';
import type { DrawerItem } from './item.ts';

export interface TakenOut {
  /** As it is seen. */
  readonly page: Page;
  /** Where its middle comes to lie, in user space; for a signature the middle of its foot. */
  readonly at: Vec;
  /** No higher and wider than so many points; as large as it was without. */
  readonly room?: { readonly width: number; readonly height: number };
  readonly fields: StampFields;
  readonly newId: () => MarkId;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Nobody when empty. */
  readonly author: string;
}

/** The day beside a signature: points, and how far beneath. */
const DATE_SIZE = 8;
const DATE_WIDTH = 160;
const DATE_GAP = 2;
const DATE_LEADING = 1.25;
/** Things that would lie over each other are so far apart, points, and so many of them at most. */
const BESIDE = 14;
const MOST_BESIDE = 20;

/**
 * Puts a thing of the drawer on a page, upright as the page is seen and whole on it where it has room, with its fields filled in; null when there is no such page.
 * @param attachments what its marks show
 */
export function takeOut(
  state: DocState,
  item: DrawerItem,
  attachments: readonly Attachment[],
  asked: TakenOut,
): Transaction | null {
  const { page } = asked;
  if (!findPage(state, page.id)) return null;
  const placed = placedMarks(item, asked).map((mark) => filled(mark, asked.fields));
  let order = nextOrder(state, page.id);
  const whole = item.sort === 'marks' ? placed : [composed(item, placed, asked)];
  const made = beside(state, page, whole);
  const marks = made.map((mark): Mark => {
    const { author, ...unsigned } = mark;
    const by = asked.author || author;
    return {
      ...unsigned,
      ...(by ? { author: by } : {}),
      page: page.id,
      madeAt: asked.madeAt,
      order: order++,
    } as Mark;
  });
  return {
    label: item.sort === 'signature' ? 'Sign' : `Put “${item.name}” on the page`,
    changes: [
      ...missingAttachments(state, attachments),
      ...marks.map((mark) => markChange(null, mark)),
    ],
  };
}

function placedMarks(item: DrawerItem, { page, at, room, newId }: TakenOut): Mark[] {
  const marks = renewedMarks(item.marks, newId);
  const own = boundsOfAll(marks);
  const from = boxCentre(own);
  const upright = pageMap(item.page, page, from, at);
  const there = marks.map((mark) => carryMark(mark, upright, { widthFollows: true }));
  const seen = transformBox(displayMatrix(page), boundsOfAll(there));
  const scale = room
    ? Math.min(
        1,
        room.width / Math.max(1, boxWidth(seen)),
        room.height / Math.max(1, boxHeight(seen)),
      )
    : 1;
  const middle = boxCentre(seen);
  const small = scaledBox(seen, scale);
  const down = item.sort === 'signature' ? -boxHeight(small) / 2 : 0;
  const wanted = { x: middle.x, y: middle.y + down };
  const kept = middleOn(small, wanted, transformBox(displayMatrix(page), page.box));
  const move = moveBy({ x: kept.x - middle.x, y: kept.y - middle.y });
  const map = mapAsSeen(page, thenMatrix(scaleAbout(scale, scale, middle), move));
  return there.map((mark) => carryMark(mark, map, { widthFollows: true }));
}

/** One that would lie exactly over what was put there before lies a little beside it. */
function beside(state: DocState, page: Page, marks: readonly Mark[]): readonly Mark[] {
  const others = [...marksOn(state, page.id).values()].map(roughBoundsOf);
  const own = boxCentre(boundsOfAll(marks));
  const isTaken = (k: number): boolean =>
    others.some((one) => {
      const { x, y } = boxCentre(one);
      return Math.hypot(x - own.x - k * BESIDE, y - own.y + k * BESIDE) < BESIDE / 2;
    });
  let steps = 0;
  while (steps < MOST_BESIDE && isTaken(steps)) steps++;
  if (steps === 0) return marks;
  return marks.map((mark) => carryMark(mark, moveBy({ x: steps * BESIDE, y: -steps * BESIDE })));
}

const scaledBox = (b: Box, scale: number): Box => {
  const { x, y } = boxCentre(b);
  const [w, h] = [(scale * boxWidth(b)) / 2, (scale * boxHeight(b)) / 2];
  return { minX: x - w, minY: y - h, maxX: x + w, maxY: y + h };
};

function filled(mark: Mark, fields: StampFields): Mark {
  const text = asText(mark);
  if (text) return filledText(text, fields);
  const stamp = asStamp(mark);
  if (!stamp) return mark;
  return { ...stamp, parts: stamp.parts.map((part) => filled(part as Mark, fields)) };
}

const filledText = (text: TextMark, fields: StampFields): TextMark => ({
  ...text,
  block: {
    ...text.block,
    spans: text.block.spans.map((span) => ({ ...span, text: withFields(span.text, fields) })),
  },
});

/** One mark of all; what was made of several is made of theirs. */
function composed(item: DrawerItem, marks: readonly Mark[], asked: TakenOut): Mark {
  const parts = marks.flatMap(
    (mark): readonly MarkBase[] => asStamp(mark)?.parts ?? asSignature(mark)?.parts ?? [mark],
  );
  const [{ style }] = marks;
  const base = {
    ...{ id: asked.newId(), page: asked.page.id, order: 0, madeAt: asked.madeAt },
    style: { ...style, opacity: 1 },
  };
  if (item.sort === 'stamp') return { ...base, kind: 'stamp', parts };
  const day = item.dated ? [dayBeneath(marks, asked, style.colour)] : [];
  return { ...base, kind: 'signature', of: item.name, parts: [...parts, ...day] };
}

function dayBeneath(
  marks: readonly Mark[],
  { page, fields, newId, madeAt }: TakenOut,
  colour: string,
): TextMark {
  const display = displayMatrix(page);
  const seen = transformBox(display, boundsOfAll(marks));
  const back = invertMatrix(display);
  const [at, along] = [
    { x: seen.minX, y: seen.maxY + DATE_GAP },
    { x: seen.maxX, y: seen.maxY + DATE_GAP },
  ].map((p) => transform(back, p));
  const look = { family: 'sans', bold: false, italic: false, underline: false } as const;
  return {
    kind: 'text',
    id: newId(),
    page: page.id,
    order: 0,
    madeAt,
    style: { colour, width: 1, opacity: 1 },
    at,
    angle: Math.atan2(along.y - at.y, along.x - at.x),
    block: {
      spans: [{ text: fields.date, style: { ...look, size: DATE_SIZE, colour } }],
      width: DATE_WIDTH,
      align: 'start',
      leading: DATE_LEADING,
    },
    height: DATE_SIZE * DATE_LEADING,
    padding: 0,
    background: null,
    border: 0,
  };
}
