import { type ListedNote, signPlace } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import {
  displayMatrix,
  displaySize,
  invertMatrix,
  transform,
  type Vec,
} from '@marginalis/core/geometry';
import { asNote } from '@marginalis/core/kinds';
import type { StageController } from '@/stage';
import { FOLDED, GAP } from './cardMeasures';

/** So many cards stand beside the pages at once: more are not looked at, and cost time. */
const MOST = 60;

/** A note beside its page: where it belongs, in pixels from the corner of the first page, wherever the window is. */
export interface NoteBeside {
  readonly note: ListedNote;
  /** The end of what it is about that is nearer to the margin, and the edge of its page there; pixels. */
  readonly place: Vec;
  readonly edge: number;
}

/**
 * The notes of the pages in sight, and of those next to them, in their order; where pages lie beside each other from the top down.
 * @param fromRight the margin is to the right of the pages
 */
export function notesBeside(
  notes: readonly ListedNote[],
  { pages }: DocState,
  stage: StageController,
  fromRight: boolean,
): NoteBeside[] {
  const { first, last } = stage.getSight();
  const [left, top] = stage.cornerOf(0);
  const beside = notes.flatMap((note): NoteBeside[] => {
    const { about } = note;
    if (!about || about.page < first - 1 || about.page > last + 1) return [];
    const seen = stage.pages[about.page];
    if (!seen) return [];
    const toView = stage.userToView(about.page);
    const { x, y } = transform(toView, endOf(about, pages[about.page], fromRight));
    const [side] = stage.cornerOf(about.page);
    const { zoom } = stage.getCamera();
    const edge = fromRight ? side + displaySize(seen).width * zoom : side;
    return [{ note, place: { x: x - left, y: y - top }, edge: edge - left }];
  });
  if (beside.length > MOST) {
    // Those nearest to the middle of the window.
    const middle = stage.getView().height / 2 - top;
    beside.sort((a, b) => Math.abs(a.place.y - middle) - Math.abs(b.place.y - middle));
    beside.length = MOST;
  }
  const byNumber = (a: NoteBeside, b: NoteBeside): number => a.note.number - b.note.number;
  // Pages beside each other share the margin.
  const isOneAcross = stage.stack.spreads.length === stage.pages.length;
  return beside.sort(isOneAcross ? byNumber : (a, b) => a.place.y - b.place.y || byNumber(a, b));
}

/** Where a line to a note begins, in user space: at the foot of its words, at the side of a mark, at its place. */
function endOf(
  about: NonNullable<ListedNote['about']>,
  page: DocState['pages'][number],
  fromRight: boolean,
): Vec {
  const note = asNote(about.mark);
  if (note && note.quads.length > 0) {
    const [[, , footStart, footEnd]] = note.quads;
    return fromRight ? footEnd : footStart;
  }
  if (note?.area) return note.area[fromRight ? 1 : 0];
  if (note) return note.at;
  const { at } = signPlace(about, page);
  const { box } = about;
  // As the page is seen, and back: marks may lie on turned pages.
  const display = displayMatrix(page);
  const head = transform(display, at);
  return transform(invertMatrix(display), { x: fromRight ? box.maxX : box.minX, y: head.y });
}

/** The pages with more notes beside them than have room there when all of a folded card is shown. */
export function crowdedPages(
  beside: readonly NoteBeside[],
  stage: StageController,
): ReadonlySet<number> {
  const counts = new Map<number, number>();
  for (const { note } of beside)
    if (note.about) counts.set(note.about.page, (counts.get(note.about.page) ?? 0) + 1);
  const { zoom } = stage.getCamera();
  const isCrowded = ([page, count]: readonly [number, number]): boolean =>
    count * (FOLDED + GAP) > displaySize(stage.pages[page]).height * zoom;
  return new Set([...counts].filter(isCrowded).map(([page]) => page));
}
