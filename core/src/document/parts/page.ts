import { number, object, string } from 'yup';
import {
  type Box,
  boxHolds,
  intersectBoxes,
  isEmptyBox,
  type PageBox,
} from '../../geometry/index.ts';
import type { PageId } from '../../marks/index.ts';
import { type Ruling, rulingShape } from '../../paper/index.ts';
import { boxShape, pageBoxShape } from '../pageShape.ts';
import { type Numbering, numberingShape } from './numbering.ts';

export type Turn = PageBox['rotate'];

/** What a page shows: a page of a source, or paper of our own. */
export type Shown =
  | {
      /** SHA-256 of the source's bytes, lower-case hex. */
      readonly source: string;
      /** Zero-based page of that source. */
      readonly index: number;
    }
  | { readonly paper: Ruling };

/**
 * A page of a document. `box` and `rotate` are what is seen; they follow from how the page came (`sheet`, and `rotate`
 * less `turn`) and what was done to it, see {@link turnPage} and {@link cropPage}.
 */
export interface Page extends PageBox {
  readonly id: PageId;
  /** Pages stand in increasing order. */
  readonly order: number;
  /** How far the person has turned it, clockwise, degrees. */
  readonly turn: Turn;
  /** What the person has cut it down to, or widened it to, in user space; null when it is as it came. */
  readonly crop: Box | null;
  /** The page's box as it came, in user space. */
  readonly sheet: Box;
  readonly shows: Shown;
  /** A numbering of one's own that begins with this page. */
  readonly numbering?: Numbering;
}

const shownShape = object({
  source: string()
    .strict()
    .matches(/^[0-9a-f]{64}$/),
  index: number().strict().integer().min(0),
  paper: rulingShape.default(undefined),
})
  .required()
  .test(
    'shows-one',
    'a page shows a page of a source or paper',
    ({ source, index, paper }) =>
      (paper !== undefined) !== (source !== undefined) &&
      (source !== undefined) === (index !== undefined),
  );

/** What a stored page must be. */
export const pageShape = object({
  id: string().strict().required().max(100),
  order: number().strict().required(),
  turn: number().strict().oneOf([0, 90, 180, 270]).required(),
  crop: boxShape.nullable().defined(),
  sheet: boxShape.required(),
  shows: shownShape,
  numbering: numberingShape.default(undefined),
}).concat(pageBoxShape);

/** Turned by so much as it came; clockwise, degrees. */
export const turnPage = (page: Page, turn: Turn): Page => ({
  ...page,
  turn,
  rotate: ((page.rotate - page.turn + turn + 720) % 360) as Turn,
});

/** Cut down to a box within its sheet; whole with null, or where the box lies beside it. */
export function cropPage(page: Page, crop: Box | null): Page {
  const seen = crop && intersectBoxes(crop, page.sheet);
  const isWhole = !seen || isEmptyBox(seen) || seen.minX === seen.maxX || seen.minY === seen.maxY;
  return isWhole ? { ...page, crop: null, box: page.sheet } : { ...page, crop: seen, box: seen };
}

/** Cut down or widened to a box; as it came where that is its sheet. Print and marks stay where they lie. */
export function framePage(page: Page, frame: Box): Page {
  const { sheet } = page;
  const isWhole = (['minX', 'minY', 'maxX', 'maxY'] as const).every(
    (side) => Math.abs(frame[side] - sheet[side]) < 1e-6,
  );
  return isWhole ? { ...page, crop: null, box: sheet } : { ...page, crop: frame, box: frame };
}

/** A page that no numbering begins with. */
export function unnumbered(page: Page): Page {
  const { numbering: _, ...rest } = page;
  return rest;
}

/** Whether there is room around what it came with. */
export const isWidened = ({ crop, sheet }: Page): boolean =>
  crop !== null && !boxHolds(sheet, crop);

/** Whether less of it is seen than it came with, on some side. */
export const isCutDown = ({ crop, sheet }: Page): boolean =>
  crop !== null && !boxHolds(crop, sheet);

/** A page that came with no more than is seen of it. */
export function withoutRest(page: Page): Page {
  const { crop, sheet } = page;
  if (!crop || !isCutDown(page)) return page;
  const seen = intersectBoxes(crop, sheet);
  return { ...page, sheet: seen, crop: boxHolds(seen, crop) ? null : crop };
}

/** The pages of a source, as they come. */
export const pagesOfSource = (
  source: string,
  boxes: readonly PageBox[],
  idOf: (index: number) => PageId,
): Page[] =>
  boxes.map((page, index) => ({
    ...page,
    id: idOf(index),
    order: index,
    turn: 0,
    crop: null,
    sheet: page.box,
    shows: { source, index },
  }));

/** An empty page of this size, as it is seen. */
export const paperPage = (
  id: PageId,
  order: number,
  size: { readonly width: number; readonly height: number },
  paper: Ruling,
): Page => {
  const sheet = { minX: 0, minY: 0, maxX: size.width, maxY: size.height };
  return {
    id,
    order,
    turn: 0,
    crop: null,
    sheet,
    box: sheet,
    rotate: 0,
    userUnit: 1,
    shows: { paper },
  };
};
