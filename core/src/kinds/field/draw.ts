import type { Drawing, Item } from '../../drawing/index.ts';
import { type Figure, figureLines, outlineFigure } from '../../figures/index.ts';
import {
  type Box,
  boxCentre,
  boxCorners,
  boxHeight,
  boxWidth,
  growBox,
  joinPaths,
  type Matrix,
  moveBy,
  type Path,
  polygonPath,
  thenMatrix,
  transform,
  turnAbout,
  type Vec,
} from '../../geometry/index.ts';
import type { TextBlock } from '../../type/index.ts';
import type { FieldFrame, FieldLetters, FieldMark, WidgetPlace } from './mark.ts';
import { signPath } from './sign.ts';

/** From baseline to baseline, of the size. */
const LEADING = 1.15;
/** Between the border and the letters, points; of low fields as much of their height at most. */
const ROOM = 2;
const ROOM_SHARE = 0.12;
/** Letters whose size the form leaves open take so much of the height of their field, and no more or less than so many points. */
const AUTO_SHARE = 0.68;
const LARGEST_AUTO = 12;
const SMALLEST_AUTO = 4;
/** A line takes so much of its field's height at most. */
const TALLEST = 0.92;
const DOT = '•';

/** What is seen of a text that is not to be read. */
export const hiddenText = (text: string): string => DOT.repeat([...text].length);

/** How a field lies as it is read: from its own space (origin at its upper left corner, y up) to user space, and its size. */
export function placeOfWidget({ box, turn }: Pick<WidgetPlace, 'box' | 'turn'>): {
  readonly place: Matrix;
  readonly width: number;
  readonly height: number;
} {
  const { minX, minY, maxX, maxY } = box;
  const [w, h] = [boxWidth(box), boxHeight(box)];
  const at = { 0: [minX, maxY], 90: [minX, minY], 180: [maxX, minY], 270: [maxX, maxY] }[turn];
  const isUpright = turn === 0 || turn === 180;
  const corner: Vec = { x: at[0], y: at[1] };
  return {
    place: thenMatrix(turnAbout((turn * Math.PI) / 180, { x: 0, y: 0 }), moveBy(corner)),
    width: isUpright ? w : h,
    height: isUpright ? h : w,
  };
}

/** How large the letters of a field are where nothing needs them smaller, points. */
export function letterSize({ size, lines }: FieldLetters, height: number): number {
  if (lines) return size > 0 ? size : LARGEST_AUTO;
  if (size > 0) return Math.min(size, TALLEST * height);
  return Math.min(LARGEST_AUTO, Math.max(SMALLEST_AUTO, AUTO_SHARE * height));
}

/** What is filled in, as the field shows it, and where its lines stand: in the field's own space. */
export function lettersIn(
  mark: Pick<FieldMark, 'widget' | 'text' | 'frame' | 'style'> & { letters: FieldLetters },
): { readonly block: TextBlock; readonly at: Vec; readonly height: number } {
  const { letters, frame, style, text } = mark;
  const { width, height } = placeOfWidget(mark.widget);
  const border = frame.border && !frame.border.under ? frame.border.width : 0;
  const room = border + Math.min(ROOM, ROOM_SHARE * height);
  const { cells, lines, family, bold, italic } = letters;
  const size = letterSize(letters, height - 2 * border);
  const line = LEADING * size;
  const within = Math.max(1, height - 2 * room);
  const isRow = cells > 0 && !lines;
  const block: TextBlock = {
    spans: [
      {
        text: letters.secret ? hiddenText(text) : text,
        style: { family, size, bold, italic, underline: false, colour: style.colour },
      },
    ],
    width: isRow ? width : Math.max(1, width - 2 * room),
    align: isRow ? 'start' : letters.align,
    leading: LEADING,
    fit: lines ? within : line,
    ...(isRow ? { cell: width / cells } : {}),
  };
  const top = lines ? -room : -(height - line) / 2;
  return { block, at: { x: isRow ? 0 : room, y: top }, height: lines ? within : line };
}

/** What a field shows: its ground and border as its form says, what is filled in, within its box. What its file shows itself is not drawn. */
export function drawField(mark: FieldMark): Drawing {
  const { widget, letters, frame, sign, style, value } = mark;
  const { opacity, colour } = style;
  if (!letters && !sign) return [];
  const items: Item[] = framed(widget.box, frame, opacity);
  if (sign) {
    if (value.length === 0) return items;
    const path = signPath(sign, widget.box, widget.turn);
    return [...items, { is: 'fill', path, paint: { colour, opacity } }];
  }
  if (!letters) return items;
  const { place, width } = placeOfWidget(widget);
  const { block, at, height } = lettersIn({ ...mark, letters });
  if (block.cell && frame.border)
    items.push(...dividers(block.cell, letters.cells, mark, frame.border));
  if (mark.text !== '')
    items.push({
      is: 'group',
      clip: polygonPath(boxCorners(widget.box)),
      items: [{ is: 'text', block, place: thenMatrix(moveBy(at), place), width, height, opacity }],
    });
  return items;
}

/** The lines between cells. */
function dividers(
  cell: number,
  count: number,
  { widget, style }: FieldMark,
  { colour, width }: NonNullable<FieldMark['frame']['border']>,
): Item[] {
  const { place, height } = placeOfWidget(widget);
  return Array.from({ length: count - 1 }, (_, k): Item => {
    const x = (k + 1) * cell;
    const [from, to] = [
      { x, y: 0 },
      { x, y: -height },
    ].map((end) => transform(place, end));
    const path = outlineFigure({ kind: 'line', from, to }, width);
    return { is: 'fill', path, paint: { colour, opacity: style.opacity } };
  });
}

function framed(box: Box, { ground, border, round }: FieldFrame, opacity: number): Item[] {
  const items: Item[] = [];
  const add = (path: Path, colour: string): void => {
    items.push({ is: 'fill', path, paint: { colour, opacity } });
  };
  const radius = Math.min(boxWidth(box), boxHeight(box)) / 2;
  const circle = (by: number): Figure => ({
    kind: 'circle',
    centre: boxCentre(box),
    radius: Math.max(0.1, radius - by),
  });
  if (ground) {
    // As far as the middle of the border, so that nothing of it is seen beyond.
    const by = border && !border.under ? border.width / 2 : 0;
    add(round ? disc(circle(by)) : polygonPath(boxCorners(growBox(box, -by))), ground);
  }
  if (!border || border.width <= 0) return items;
  const corners = boxCorners(growBox(box, -border.width / 2));
  const figure: Figure = round
    ? circle(border.width / 2)
    : border.under
      ? { kind: 'line', from: corners[0], to: corners[1] }
      : { kind: 'polygon', corners: [...corners] };
  add(outlineFigure(figure, border.width), border.colour);
  return items;
}

/** A circle filled. */
const disc = (circle: Figure): Path =>
  joinPaths(figureLines(circle).map((line) => polygonPath(line)));
