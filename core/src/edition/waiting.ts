import { type DocState, markChange, nextOrder, type Transaction } from '../document/index.ts';
import { boxCentre, moveBy, subtract, uniteBoxes, type Vec } from '../geometry/index.ts';
import { boundsOf, type ListedMark, listRows } from '../derived/index.ts';
import { asField, kindFor, type Mark } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';
import { unitsOf } from './units.ts';

/** Marks that wait belong to pages whose ids begin so: no page is called like that. */
const WAITING = 'waiting ';

/** Where marks of a page wait that have no place. */
export const waitingPage = (page: PageId): PageId =>
  page.startsWith(WAITING) ? page : `${WAITING}${page}`.slice(0, 100);

/** Marks that have no place in the edition the document shows; those of one page together, from the lowest to the topmost. */
export const waitingMarks = (state: Pick<DocState, 'marks'>): Mark[] => pagesWaiting(state).flat();

const pagesWaiting = ({ marks }: Pick<DocState, 'marks'>): Mark[][] =>
  [...marks]
    .filter(([page]) => page.startsWith(WAITING))
    .map(([, on]) => [...on.values()].sort((a, b) => a.order - b.order));

/** The same, with what belongs together together: lines of writing, groups. */
export const waitingUnits = (state: Pick<DocState, 'marks'>): Mark[][] =>
  pagesWaiting(state).flatMap((marks, page) => {
    const rows = marks.map((mark): ListedMark => {
      const { minX, minY, maxX, maxY } = boundsOf(mark);
      // How the page lay is not known any more: upright, most likely.
      const box = { minX, minY: -maxY, maxX, maxY: -minY };
      return { mark, words: kindFor(mark).words(mark), page, box, at: boxCentre(box) };
    });
    return unitsOf(listRows(rows));
  });

/** Whether a mark may lie anywhere: corrections, bars and what was filled in belong where they are. */
export const canBePut = (mark: Mark): boolean => {
  const { takesOut, redacts } = kindFor(mark);
  return !takesOut && !redacts && !asField(mark);
};

/** Puts marks that wait onto a page, their middle at a place of it, in user space. */
export function putWaiting(
  state: DocState,
  marks: readonly Mark[],
  page: PageId,
  at: Vec,
): Transaction | null {
  if (marks.length === 0 || !marks.every(canBePut)) return null;
  const middle = boxCentre(marks.map(boundsOf).reduce(uniteBoxes));
  const by = moveBy(subtract(at, middle));
  let order = nextOrder(state, page);
  const changes = marks.map((mark) =>
    markChange(mark, { ...kindFor(mark).carry(mark, by, {}), page, order: order++ }),
  );
  return { label: marks.length === 1 ? 'Put a mark' : `Put ${marks.length} marks`, changes };
}

/** Removes marks that wait. */
export const dropWaiting = (marks: readonly Mark[]): Transaction | null =>
  marks.length === 0
    ? null
    : {
        label: marks.length === 1 ? 'Remove a mark' : `Remove ${marks.length} marks`,
        changes: marks.map((mark) => markChange(mark, null)),
      };
