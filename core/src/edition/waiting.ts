import { type DocState, markChange, nextOrder, type Transaction } from '../document/index.ts';
import { boxCentre, moveBy, subtract, type Vec } from '../geometry/index.ts';
import { boundsOf } from '../derived/index.ts';
import { kindFor, type Mark } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';

/** Marks that wait belong to pages whose ids begin so: no page is called like that. */
const WAITING = 'waiting ';

/** Where marks of a page wait that have no place. */
export const waitingPage = (page: PageId): PageId =>
  page.startsWith(WAITING) ? page : `${WAITING}${page}`.slice(0, 100);

/** Marks that have no place in the edition the document shows; those of one page together, from the lowest to the topmost. */
export function waitingMarks({ marks }: Pick<DocState, 'marks'>): Mark[] {
  return [...marks]
    .filter(([page]) => page.startsWith(WAITING))
    .flatMap(([, on]) => [...on.values()].sort((a, b) => a.order - b.order));
}

/** Puts marks that wait onto a page, their middle at a place of it, in user space. */
export function putWaiting(
  state: DocState,
  marks: readonly Mark[],
  page: PageId,
  at: Vec,
): Transaction | null {
  if (marks.length === 0) return null;
  const boxes = marks.map(boundsOf);
  const middle = boxCentre({
    minX: Math.min(...boxes.map(({ minX }) => minX)),
    minY: Math.min(...boxes.map(({ minY }) => minY)),
    maxX: Math.max(...boxes.map(({ maxX }) => maxX)),
    maxY: Math.max(...boxes.map(({ maxY }) => maxY)),
  });
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
