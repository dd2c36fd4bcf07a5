import {
  type DocState,
  findMark,
  markChange,
  nextOrder,
  type Page,
  type Transaction,
} from '../document/index.ts';
import { type EquationOutline, outlineBox } from '../equations/index.ts';
import {
  boxCentre,
  displayMatrix,
  invertMatrix,
  mapSize,
  middleOn,
  moveBy,
  scaleAbout,
  thenMatrix,
  transform,
  transformBox,
  type Vec,
} from '../geometry/index.ts';
import { asEquation, type EquationMark } from '../kinds/index.ts';
import type { MarkId, MarkStyle } from '../marks/index.ts';

/** What an equation says, and how it was set. */
export interface SetTex {
  readonly tex: string;
  readonly outline: EquationOutline;
  /** Points to the em. */
  readonly size: number;
}

export interface NewEquation extends SetTex {
  readonly id: MarkId;
  /** As it is seen. */
  readonly page: Page;
  /** Where its middle is wanted, in user space. */
  readonly at: Vec;
  readonly style: MarkStyle;
  /** Milliseconds since 1970. */
  readonly madeAt: number;
  /** Nobody when left out or empty. */
  readonly author?: string;
}

/** Puts an equation on a page, above everything there, upright as the page is seen and whole on it where it has room. */
export function putEquation(state: DocState, asked: NewEquation): Transaction {
  const { id, page, tex, outline, size, style, madeAt, author } = asked;
  const display = displayMatrix(page);
  // Equations go up, and as it is seen y goes down.
  const large = scaleAbout(size, -size, { x: 0, y: 0 });
  const own = transformBox(large, outlineBox(outline));
  const sheet = transformBox(display, page.box);
  const middle = middleOn(own, transform(display, asked.at), sheet);
  const from = boxCentre(own);
  const there = thenMatrix(large, moveBy({ x: middle.x - from.x, y: middle.y - from.y }));
  const mark: EquationMark = {
    ...{ kind: 'equation', id, page: page.id, tex, outline, style, madeAt },
    ...(author ? { author } : {}),
    order: nextOrder(state, page.id),
    place: thenMatrix(there, invertMatrix(display)),
  };
  return { label: 'Put an equation', changes: [markChange(null, mark)] };
}

/** An equation that says something else, or is of another size; the left end of its baseline stays. Null where it is gone, or says that already. */
export function changeEquation(
  state: DocState,
  id: MarkId,
  { tex, outline, size }: SetTex,
): Transaction | null {
  const mark = asEquation(findMark(state, id));
  if (!mark) return null;
  const by = size / mapSize(mark.place);
  const isAsLarge = Math.abs(by - 1) < 1e-6;
  if (tex === mark.tex && isAsLarge) return null;
  const place = isAsLarge ? mark.place : thenMatrix(scaleAbout(by, by, { x: 0, y: 0 }), mark.place);
  // As it was set when it was typed: the same words stay as they are.
  const changed = { ...mark, tex, place, outline: tex === mark.tex ? mark.outline : outline };
  return { label: 'Change an equation', changes: [markChange(mark, changed)] };
}
