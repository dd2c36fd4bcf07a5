import { boundsOf } from '../derived/index.ts';
import { type DocState, findMark, marksOn, type PageMarks } from '../document/index.ts';
import {
  type Figure,
  type FigureReading,
  readFigure,
  settleFigure,
  type SettleManners,
} from '../figures/index.ts';
import { type Box, boxesMeet, boxHeight, boxWidth, growBox, type Vec } from '../geometry/index.ts';
import { type InkMark, isHighlight, type Mark, type MarkId, type PageId } from '../marks/index.ts';

/** A figure that ink looks like. */
export interface FigureOffer {
  /** The marks that would become the figure, the last one written last. */
  readonly marks: readonly MarkId[];
  readonly page: PageId;
  /** As it was read, and what else it may be. */
  readonly reading: FigureReading;
  /** The figure made regular, and where it meets others. */
  readonly figure: Figure;
  readonly meets: readonly Vec[];
}

/** Strokes belong together when the pen is lifted no longer than this, ms. */
const LONGEST_PAUSE = 1500;
/** And when they are no farther apart than this share of the larger, and so many points. */
const APART_SHARE = 0.2;
const APART = 10;
const MOST_STROKES = 5;
/** Ink read less surely is left alone: when asked about, and when taken unasked. */
const SURE_ENOUGH = { ask: 0.55, always: 0.62 } as const;
/** Smaller ones of these are everyday writing, which nobody wants to be asked about, points. */
const LEAST_ASKED = 40;
const EVERYDAY: ReadonlySet<string> = new Set(['line', 'tick', 'cross']);

/**
 * What figure the stroke `id` was meant to be, alone or with the strokes just before it; null when it is none, or not
 * ink any more. `tidy` tells how sure it must be.
 */
export function offerTidy(
  state: DocState,
  id: MarkId,
  manners: SettleManners & { readonly tidy: 'ask' | 'always' },
): FigureOffer | null {
  const mark = findMark(state, id);
  if (mark?.kind !== 'ink') return null;
  const group = strokesBefore(state, mark);
  for (let n = group.length; n > 0; n--) {
    const marks = group.slice(group.length - n);
    const strokes = marks.flatMap(inkOf);
    if (strokes.length > MOST_STROKES) continue;
    const reading = readFigure(strokes.map(({ ink }) => ink.samples));
    if (!reading || reading.confidence < SURE_ENOUGH[manners.tidy]) continue;
    if (manners.tidy === 'ask' && isEveryday(reading, marks)) continue;
    const ids = new Set(marks.map((m) => m.id));
    const { figure, meets } = settleOn(state, mark.page, ids, reading.figure, manners);
    return { marks: [...ids], page: mark.page, reading, figure, meets };
  }
  return null;
}

/** A figure made regular among the figures of its page, but for those it replaces. */
export function settleOn(
  state: DocState,
  page: PageId,
  without: ReadonlySet<MarkId>,
  figure: Figure,
  manners: SettleManners,
): { figure: Figure; meets: readonly Vec[] } {
  const near = [...marksOn(state, page).values()].flatMap((m) =>
    m.kind === 'figure' && !without.has(m.id) ? [m.figure] : [],
  );
  return settleFigure(figure, near, manners);
}

const inkOf = (mark: Mark): readonly InkMark[] => (mark.kind === 'ink' ? [mark] : mark.from);

/** The stroke and those written just before it, near it; figures tidied from ink count as their ink. */
function strokesBefore(state: DocState, mark: InkMark): Mark[] {
  const group: Mark[] = [mark];
  let reach = boundsOf(mark);
  let began = mark.madeAt - lasted(mark);
  for (const before of lastBefore(marksOn(state, mark.page), mark.order)) {
    if (isHighlight(before) !== isHighlight(mark)) break;
    const strokes = inkOf(before);
    const bounds = boundsOf(before);
    if (strokes.length === 0 || began - before.madeAt > LONGEST_PAUSE) break;
    if (!boxesMeet(around(reach), around(bounds))) break;
    group.unshift(before);
    reach = bounds;
    began = strokes[0].madeAt - lasted(strokes[0]);
  }
  return group;
}

/** The marks just below `order`, the topmost first: as many as can still belong. One pass, for pages with thousands. */
function lastBefore(marks: PageMarks, order: number): Mark[] {
  const last: Mark[] = [];
  for (const mark of marks.values()) {
    if (mark.order >= order) continue;
    if (last.length === MOST_STROKES - 1 && mark.order < last[last.length - 1].order) continue;
    last.push(mark);
    last.sort((a, b) => b.order - a.order);
    last.length = Math.min(last.length, MOST_STROKES - 1);
  }
  return last;
}

/** How long the pen was down, ms. */
function lasted({ ink: { samples } }: InkMark): number {
  return samples[samples.length - 1].t - samples[0].t;
}

const spanOf = (b: Box): number => Math.hypot(boxWidth(b), boxHeight(b));
const around = (b: Box): Box => growBox(b, APART_SHARE * spanOf(b) + APART);

const isEveryday = ({ kind }: FigureReading, marks: readonly Mark[]): boolean =>
  EVERYDAY.has(kind) && Math.max(...marks.map((m) => spanOf(boundsOf(m)))) < LEAST_ASKED;
