import { type DocState, findMark, fromTop, marksOn } from '../document/index.ts';
import { figuresOn, liesBeneath } from '../derived/index.ts';
import {
  type Figure,
  type FigureKind,
  type FigureReading,
  joinsDots,
  type Printed,
  readFigure,
  settleFigure,
  type SettleManners,
} from '../figures/index.ts';
import {
  type Box,
  boxesMeet,
  boxHeight,
  boxOfPoints,
  boxWidth,
  growBox,
  uniteBoxes,
  type Vec,
} from '../geometry/index.ts';
import { type InkSample, timeTaken } from '../ink/index.ts';
import {
  type InkMark,
  type Mark,
  placedSamples,
  asFigure,
  asInk,
  writtenBox,
} from '../kinds/index.ts';
import { type MarkId, type PageId } from '../marks/index.ts';

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
/** All of them are written within this time, ms. */
const LONGEST_GROUP = 60_000;
/** Ink read less surely is left alone: when asked about, and when taken unasked. */
const SURE_ENOUGH = { ask: 0.55, always: 0.62 } as const;
/** Smaller ones of these are everyday writing, which nobody wants to be asked about, points. */
const LEAST_ASKED = 40;
const EVERYDAY: ReadonlySet<FigureKind> = new Set(['line', 'tick', 'cross']);

/** Smaller ones of these, written beside other ink, are letters among letters, points. */
const LARGEST_LETTER = 50;
const LIKE_LETTERS: ReadonlySet<FigureKind> = new Set([
  'arc',
  'circle',
  'ellipse',
  'polyline',
  'polygon',
]);

/** No larger stroke is a dot, points: it finishes no figure, and belongs to none. */
const DOT = 3;

function isDot(strokes: readonly (readonly InkSample[])[]): boolean {
  const { minX, minY, maxX, maxY } = boxOfPoints(strokes.flat());
  return maxX - minX < DOT && maxY - minY < DOT;
}

/** A figure found in the newest stroke and the marks just before it. */
export interface FoundFigure {
  /** How many of the marks belong to it, the newest included. */
  readonly marks: number;
  readonly reading: FigureReading;
  /** What the newest stroke would be by itself, where that is something. */
  readonly alone: FigureReading | null;
}

/**
 * What figure the newest stroke was meant to be, alone or with the marks just before it; null when none. Asked about, a
 * small one beside other ink is a letter.
 * @param group the strokes of each mark, the newest last
 */
export function findFigure(
  group: readonly (readonly (readonly InkSample[])[])[],
  tidy: 'ask' | 'always',
): FoundFigure | null {
  const newest = group[group.length - 1] ?? [];
  if (isDot(newest)) return null;
  for (let n = group.length; n > 1; n--) {
    const reading = sureFigure(group.slice(group.length - n).flat(), tidy);
    if (reading) return { marks: n, reading, alone: sureFigure(newest, tidy) };
  }
  const alone = sureFigure(newest, tidy);
  if (!alone || (tidy === 'ask' && group.length > 1 && isLikeALetter(alone, newest))) return null;
  return { marks: 1, reading: alone, alone };
}

/** What figure strokes are, surely enough to be told. */
function sureFigure(
  strokes: readonly (readonly InkSample[])[],
  tidy: 'ask' | 'always',
): FigureReading | null {
  if (strokes.length > MOST_STROKES) return null;
  const reading = readFigure(strokes);
  if (!reading || reading.confidence < SURE_ENOUGH[tidy]) return null;
  return tidy === 'ask' && isEveryday(reading, strokes) ? null : reading;
}

/**
 * What figure the ink `id` looks like, alone or with the strokes just before it; null when like none, or not ink any
 * more. `tidy` tells how sure it must be; `found` is what {@link findFigure} said, when it has been asked already; `printed`
 * finds the dots and rules that are printed on the page.
 */
export function offerTidy(
  state: DocState,
  id: MarkId,
  manners: SettleManners & { readonly tidy: 'ask' | 'always' },
  found?: FoundFigure | null,
  printed?: Printed,
): FigureOffer | null {
  const mark = asInk(findMark(state, id));
  if (!mark || found === null) return null;
  const group =
    found?.marks === 1 ? [mark] : [...marksBefore(state, asWritten(mark), mark.order), mark];
  const seen = found === undefined ? findFigure(group.map(strokesOf), manners.tidy) : found;
  if (!seen) return null;
  // A stroke that joins two printed dots is a line by itself, though it may cross another like a cross.
  const { alone } = seen;
  const joins = alone && printed && manners.meet && joinsDots(alone.figure, printed);
  const { reading, marks: count } = joins ? { reading: alone, marks: 1 } : seen;
  const marks = group.slice(-count).map((m) => m.id);
  const without = new Set(marks);
  const { figure, meets } = settleOn(state, mark.page, without, reading.figure, manners, printed);
  return { marks, page: mark.page, reading, figure, meets };
}

/** A figure made regular among the figures of its page, but for those it replaces, and what is printed there. */
export function settleOn(
  state: DocState,
  page: PageId,
  without: ReadonlySet<MarkId>,
  figure: Figure,
  manners: SettleManners,
  printed?: Printed,
): { figure: Figure; meets: readonly Vec[] } {
  const near = figuresOn(marksOn(state, page)).filter(({ id }) => !without.has(id));
  const figures = near.map((mark) => mark.figure);
  return settleFigure(figure, figures, manners, printed);
}

/** The ink a mark is, or was tidied from; none where there never was any. */
export function inkOf(mark: Mark): readonly InkMark[] {
  const ink = asInk(mark);
  return ink ? [ink] : (asFigure(mark)?.from ?? []);
}

const asWritten = (mark: InkMark): Written => ({ ...mark, samples: placedSamples(mark.ink) });

/** The strokes a mark was written with. */
export const strokesOf = (mark: Mark): readonly (readonly InkSample[])[] =>
  inkOf(mark).map(({ ink }) => placedSamples(ink));

/** A stroke just written, whether it is a mark already or not. */
export type Written = Pick<InkMark, 'page' | 'madeAt' | 'tool'> & {
  readonly samples: readonly InkSample[];
};

/**
 * The marks below `order` written just before the stroke, near it, the last one last; figures tidied from ink count as
 * their ink.
 */
export function marksBefore(state: DocState, stroke: Written, order = Infinity): Mark[] {
  const group: Mark[] = [];
  const { samples, madeAt } = stroke;
  let reach = boxOfPoints(samples);
  let began = madeAt - (samples[samples.length - 1].t - samples[0].t);
  for (const before of fromTop(marksOn(state, stroke.page), order)) {
    if (group.length === MOST_STROKES - 1 || before.madeAt < madeAt - LONGEST_GROUP) break;
    if (before.locked) break;
    if (liesBeneath(before) !== (stroke.tool === 'highlighter')) break;
    const strokes = inkOf(before);
    if (strokes.length === 0 || began - before.madeAt > LONGEST_PAUSE) break;
    const bounds = strokes.map(({ ink }) => writtenBox(ink)).reduce(uniteBoxes);
    if (!boxesMeet(around(reach), around(bounds))) break;
    group.unshift(before);
    reach = bounds;
    began = strokes[0].madeAt - timeTaken(strokes[0].ink.samples);
  }
  return group;
}

const spanOf = (b: Box): number => Math.hypot(boxWidth(b), boxHeight(b));
const around = (b: Box): Box => growBox(b, APART_SHARE * spanOf(b) + APART);

const largest = (strokes: readonly (readonly Vec[])[]): number =>
  Math.max(...strokes.map((s) => spanOf(boxOfPoints(s))));

const isEveryday = ({ kind }: FigureReading, strokes: readonly (readonly Vec[])[]): boolean =>
  EVERYDAY.has(kind) && largest(strokes) < LEAST_ASKED;

const isLikeALetter = ({ kind }: FigureReading, strokes: readonly (readonly Vec[])[]): boolean =>
  LIKE_LETTERS.has(kind) && largest(strokes) < LARGEST_LETTER;
