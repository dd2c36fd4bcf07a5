import { roughBoundsOf } from '../derived/index.ts';
import {
  type DocState,
  inOrder,
  markChange,
  marksOn,
  type Transaction,
} from '../document/index.ts';
import type { Figure } from '../figures/index.ts';
import {
  type Box,
  boxCentre,
  boxHeight,
  boxWidth,
  displayMatrix,
  invertMatrix,
  type PageBox,
  transform,
  transformBox,
  type Vec,
} from '../geometry/index.ts';
import { asFigure, type FigureMark } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';
import { type DrawnOutright, drawFigure } from './figures.ts';

/** Lines are this share of a square's side wide, points: no thinner and no thicker than these. */
const WIDTH = 1 / 9;
const THINNEST = 0.6;
const THICKEST = 2.4;
/** Corners of a tick, and ends of a cross, of the square's width and height from its upper left corner; a tick reaches a little beyond it. */
const TICK = [
  { x: 0.16, y: 0.5 },
  { x: 0.42, y: 0.84 },
  { x: 0.98, y: -0.06 },
] as const;
const CROSS = [
  { x: 0.16, y: 0.16 },
  { x: 0.84, y: 0.84 },
  { x: 0.84, y: 0.16 },
  { x: 0.16, y: 0.84 },
] as const;

export interface BoxToTick extends Omit<DrawnOutright, 'figure' | 'style'> {
  /** The square as the page is seen, and that page. */
  readonly box: Box;
  readonly seen: PageBox;
  /** `#rrggbb` in sRGB. */
  readonly colour: string;
}

/** Puts a tick into a printed square; makes a tick that is there a cross, and takes a cross away. */
export function tickBox(state: DocState, asked: BoxToTick): Transaction {
  const { box, seen, colour, ...made } = asked;
  const there = tickIn(state, made.page, seen, box);
  if (there?.figure.kind === 'cross')
    return { label: 'Take a cross away', changes: [markChange(there, null)] };
  const back = invertMatrix(displayMatrix(seen));
  const place = ({ x, y }: Vec): Vec =>
    transform(back, { x: box.minX + x * boxWidth(box), y: box.minY + y * boxHeight(box) });
  if (there) {
    const [a, b, c, d] = CROSS.map(place);
    const figure: Figure = { kind: 'cross', first: [a, b], second: [c, d] };
    return { label: 'Make it a cross', changes: [markChange(there, { ...there, figure })] };
  }
  const [a, b, c] = TICK.map(place);
  const side = Math.min(boxWidth(box), boxHeight(box));
  const width = Math.min(THICKEST, Math.max(THINNEST, WIDTH * side));
  const figure: Figure = { kind: 'tick', corners: [a, b, c] };
  return {
    ...drawFigure(state, { ...made, figure, style: { colour, width, opacity: 1 } }),
    label: 'Tick',
  };
}

/** The tick or cross that stands in a square; the topmost. */
function tickIn(state: DocState, page: PageId, seen: PageBox, box: Box): FigureMark | null {
  const display = displayMatrix(seen);
  const marks = inOrder(marksOn(state, page)).flatMap((mark) => asFigure(mark) ?? []);
  const isThere = (mark: FigureMark): boolean => {
    const at = boxCentre(transformBox(display, roughBoundsOf(mark)));
    return (
      (mark.figure.kind === 'tick' || mark.figure.kind === 'cross') &&
      !mark.locked &&
      at.x > box.minX &&
      at.x < box.maxX &&
      at.y > box.minY &&
      at.y < box.maxY
    );
  };
  return marks.reverse().find(isThere) ?? null;
}
