import {
  type Attachment,
  attachmentsOfMark,
  type Change,
  changeOf,
  type DocState,
  findMark,
  nextOrder,
  markChange,
  type Remark,
  samePart,
  type Thread,
  type Transaction,
} from '../document/index.ts';
import type { Mark } from '../kinds/index.ts';
import type { PageId } from '../marks/index.ts';
import { missingAttachments } from './missingAttachments.ts';

/** What of changes made elsewhere can be taken in. */
export interface TakenIn {
  /** Null where nothing is left to do. */
  readonly transaction: Transaction | null;
  /** Marks and notes that have been changed here too, and stay as they are here. */
  readonly kept: number;
}

/**
 * Takes changes of marks and notes that were made elsewhere, on the document as it was sent, into the document as it is by now, in one step. What has been
 * changed here since stays; remarks of both stay, and of one that both have changed the later.
 * @param pageOf what a page is called here; null where it is here no more
 */
export function takeIn(
  state: DocState,
  changes: readonly Change[],
  pageOf: (page: PageId) => PageId | null,
): TakenIn {
  const orders = new Map<PageId, number>();
  const here = (mark: Mark): Mark | null => {
    const page = pageOf(mark.page);
    return page === null ? null : { ...mark, page };
  };
  const made: Change[] = [];
  let kept = 0;
  for (const change of changes) {
    if (change.part === 'mark') {
      const [before, after] = [change.before, change.after].map((mark) => mark && here(mark));
      const one = markTaken(state, before, after, orders);
      if (one === 'kept') kept++;
      else if (one) made.push(one);
    }
    if (change.part !== 'thread') continue;
    const current = state.threads.get(change.id) ?? null;
    const next = threadTaken(change.before, change.after, current);
    if (next && !hasMark(state, made, next)) continue;
    const isSame = current === next || (current && next && samePart('thread', current, next));
    if (!isSame) made.push(changeOf('thread', current, next));
  }
  const label = 'Take in what was marked elsewhere';
  if (made.length === 0) return { transaction: null, kept };
  return { transaction: { label, changes: [...shownBy(state, made, changes), ...made] }, kept };
}

/** Brings in what the marks show that are taken in, where it is not here. */
function shownBy(state: DocState, made: readonly Change[], changes: readonly Change[]): Change[] {
  const shown = new Set(
    made.flatMap(({ part, after }) =>
      part === 'mark' && after ? attachmentsOfMark(after as Mark) : [],
    ),
  );
  const brought = changes.flatMap(({ part, after }) =>
    part === 'attachment' && after && shown.has(after.id) ? [after as Attachment] : [],
  );
  return missingAttachments(state, brought);
}

function markTaken(
  state: DocState,
  before: Mark | null,
  after: Mark | null,
  orders: Map<PageId, number>,
): Change | 'kept' | null {
  const known = findMark(state, (before ?? after)?.id ?? '');
  if (!before) {
    // It is here already, or its page is not.
    if (!after || known) return null;
    const order = orders.get(after.page) ?? nextOrder(state, after.page);
    orders.set(after.page, order + 1);
    return markChange(null, { ...after, order });
  }
  if (!known || (after && samePart('mark', known, after))) return null;
  return samePart('mark', known, before) ? markChange(known, after) : 'kept';
}

/** A thread needs the mark that it is about. */
const hasMark = (state: DocState, made: readonly Change[], { mark }: Thread): boolean => {
  const change = made.find(({ part, id }) => part === 'mark' && id === mark);
  return change ? change.after !== null : findMark(state, mark) !== null;
};

function threadTaken(
  before: Thread | null,
  after: Thread | null,
  current: Thread | null,
): Thread | null {
  if (!current) return before ? null : after;
  const was = new Map(before?.remarks.map((one) => [one.id, one]));
  const theirs = new Map(after?.remarks.map((one) => [one.id, one]));
  const remarks = current.remarks.flatMap((one): Remark[] => {
    const [base, other] = [was.get(one.id), theirs.get(one.id)];
    // Said here since.
    if (!base) return [one];
    if (!other) return isSame(one, base) ? [] : [one];
    if (isSame(one, base)) return [other];
    return isSame(other, base) || (one.editedAt ?? 0) >= (other.editedAt ?? 0) ? [one] : [other];
  });
  const ids = new Set(current.remarks.map(({ id }) => id));
  const added = [...theirs.values()].filter(({ id }) => !ids.has(id) && !was.has(id));
  const all = [...remarks, ...added];
  if (all.length === 0) return null;
  const [first, ...rest] = all;
  const isOther =
    JSON.stringify(before?.settled ?? null) !== JSON.stringify(after?.settled ?? null);
  return {
    ...current,
    remarks: [first, ...rest.sort((a, b) => a.madeAt - b.madeAt)],
    settled: isOther && after ? after.settled : current.settled,
  };
}

const isSame = (a: Remark, b: Remark): boolean => a.text === b.text && a.author === b.author;
