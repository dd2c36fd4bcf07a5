import { liesBeneath, marksMeeting, shareWithin } from '../derived/index.ts';
import { type DocState, findMark, marksOn, type Transaction } from '../document/index.ts';
import { readScratch } from '../figures/index.ts';
import { boxOfPoints, type Vec } from '../geometry/index.ts';
import { asInk, kindFor, placedSamples } from '../kinds/index.ts';
import { type MarkId, type PageId } from '../marks/index.ts';
import { removeMarks } from './erase.ts';

/** What a scribble strikes out. */
export interface ScratchOffer {
  /** The scribble itself. */
  readonly stroke: MarkId;
  readonly page: PageId;
  readonly marks: readonly MarkId[];
  /** What it scribbles over, in user space. */
  readonly area: readonly Vec[];
}

/** A mark is struck out when at least this share of it lies under the scribble. */
const MOST = 0.6;

/** What the stroke `id` was meant to strike out, if it is a scribble over other marks; null when it is not. */
export function offerScratch(state: DocState, id: MarkId): ScratchOffer | null {
  const mark = asInk(findMark(state, id));
  if (!mark || liesBeneath(mark)) return null;
  const area = readScratch(placedSamples(mark.ink));
  if (!area) return null;
  const beneath = marksMeeting(marksOn(state, mark.page), boxOfPoints(area)).filter((other) => {
    if (other.id === id || other.locked || other.order > mark.order) return false;
    if (kindFor(other).unrubbed) return false;
    return shareWithin(other, area) >= MOST;
  });
  if (beneath.length === 0) return null;
  return { stroke: id, page: mark.page, marks: beneath.map((m) => m.id), area };
}

/** Takes what is struck out off the page, and the scribble with it. */
export function takeScratch(state: DocState, { stroke, marks }: ScratchOffer): Transaction | null {
  const transaction = removeMarks(state, [...marks, stroke]);
  return (
    transaction && {
      ...transaction,
      label: marks.length === 1 ? 'Strike out' : `Strike out ${marks.length} marks`,
    }
  );
}
