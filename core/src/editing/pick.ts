import {
  boundsOf,
  isLetterLike,
  isTouched,
  liesBeneath,
  marksMeeting,
  shareWithin,
} from '../derived/index.ts';
import { type DocState, findMark, fromTop, marksOn } from '../document/index.ts';
import {
  type Box,
  boxesMeet,
  boxHeight,
  boxOfPoints,
  growBox,
  uniteBoxes,
  type Vec,
} from '../geometry/index.ts';
import { timeTaken } from '../ink/index.ts';
import { type Mark, asInk } from '../kinds/index.ts';
import { type MarkId, type PageId } from '../marks/index.ts';

/** A mark lies within a lasso when at least this share of its lines does. */
const MOST = 0.6;
/** Strokes of one word are written with pauses no longer than this, ms … */
const LONGEST_PAUSE = 2000;
/** … and are apart by no more than this share of the taller one's height, and so many points. */
const APART_SHARE = 0.45;
const APART = 2;
/** Between large strokes no more room is given than between strokes so tall, points. */
const LARGEST = 120;
const MOST_STROKES = 60;

/**
 * The marks within `reach` points of a place, the topmost first; highlights lie beneath everything else. A filled figure
 * is met anywhere inside.
 */
export function marksAt(state: DocState, page: PageId, at: Vec, reach: number): Mark[] {
  const near = marksMeeting(marksOn(state, page), growBox(boxOfPoints([at]), reach));
  const touched = near.filter((mark) => isTouched(mark, [at], reach)).reverse();
  return [...touched.filter((m) => !liesBeneath(m)), ...touched.filter(liesBeneath)];
}

/** The marks of a page that lie, for the most part, within a polygon. */
export function marksWithin(state: DocState, page: PageId, polygon: readonly Vec[]): Mark[] {
  if (polygon.length < 3) return [];
  return marksMeeting(marksOn(state, page), boxOfPoints(polygon)).filter(
    (mark) => shareWithin(mark, polygon) >= MOST,
  );
}

/**
 * The strokes that make a word with this one: written one after the other with short pauses, close together. The mark
 * alone when it is no small pen stroke.
 */
export function wordOf(state: DocState, mark: Mark): Mark[] {
  const written: Mark[] = [];
  for (const m of fromTop(marksOn(state, mark.page), mark.order + MOST_STROKES)) {
    if (m.order <= mark.order - MOST_STROKES) break;
    if (isLetterLike(m)) written.unshift(m);
  }
  const at = written.indexOf(mark);
  if (at < 0) return [mark];
  const word = [mark];
  let reach = boundsOf(mark);
  for (const step of [1, -1]) {
    for (let i = at + step; i >= 0 && i < written.length; i += step) {
      const [before, after] =
        step > 0 ? [written[i - 1], written[i]] : [written[i], written[i + 1]];
      if (startOf(after) - before.madeAt > LONGEST_PAUSE) break;
      if (!boxesMeet(beside(reach, boundsOf(written[i])), boundsOf(written[i]))) break;
      word.push(written[i]);
      reach = uniteBoxes(reach, boundsOf(written[i]));
    }
  }
  return word.sort((a, b) => a.order - b.order);
}

/** When the pen was put down, ms since 1970. */
function startOf(mark: Mark): number {
  const ink = asInk(mark)?.ink;
  return mark.madeAt - (ink ? timeTaken(ink.samples) : 0);
}

function beside(word: Box, stroke: Box): Box {
  const tall = Math.max(boxHeight(word), boxHeight(stroke));
  return growBox(word, APART_SHARE * Math.min(tall, LARGEST) + APART);
}

/** The marks and all that are in a group with them; those that are locked are left out. */
export function withGroups(state: DocState, ids: Iterable<MarkId>): MarkId[] {
  const picked = [...new Set(ids)].map((id) => findMark(state, id)).filter((m) => m !== null);
  const groups = new Set(picked.flatMap(({ group }) => (group ? [group] : [])));
  const all = new Set(picked.filter((m) => !m.locked).map(({ id }) => id));
  if (groups.size > 0)
    for (const marks of state.marks.values())
      for (const mark of marks.values())
        if (mark.group && groups.has(mark.group) && !mark.locked) all.add(mark.id);
  return [...all];
}

/** What a tap picks: a group, the word that ink belongs to, or the one mark. */
export function pickedBy(state: DocState, mark: Mark, single: boolean): MarkId[] {
  if (single) return [mark.id];
  if (mark.group) return withGroups(state, [mark.id]);
  return wordOf(state, mark).map(({ id }) => id);
}
