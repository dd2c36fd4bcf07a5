import { type DocState, marksOn, type Thread } from '../document/index.ts';
import { changeThroughout, type Mark } from '../kinds/index.ts';
import { without } from '../marks/index.ts';

/** Whether a document says of a mark or a note who made it. */
export const saysAuthors = (state: DocState): boolean =>
  [...state.threads.values()].some(
    ({ remarks, settled }) =>
      (settled?.by ?? '') !== '' || remarks.some(({ author }) => author !== ''),
  ) || state.pages.some(({ id }) => [...marksOn(state, id).values()].some(({ author }) => author));

/**
 * A document that says of no note who made it.
 * @param ofMarks nor of any mark: that is seen only where marks leave as what they are
 */
export function withoutAuthors(state: DocState, ofMarks: boolean): DocState {
  const threads = new Map([...state.threads].map(([id, thread]) => [id, nameless(thread)]));
  if (!ofMarks) return { ...state, threads };
  const marks = new Map(
    [...state.marks].map(([page, onPage]) => [
      page,
      new Map([...onPage].map(([id, mark]) => [id, namelessMark(mark)])),
    ]),
  );
  return { ...state, threads, marks };
}

/** Nor does it say so of the marks that it is made of. */
const namelessMark = <M extends Mark>(mark: M): M =>
  changeThroughout(mark, (one) => (one.author === undefined ? one : without(one, 'author'))) as M;

const nameless = (thread: Thread): Thread => ({
  ...thread,
  remarks: thread.remarks.map((remark) => ({
    ...remark,
    author: '',
    ...(remark.ink ? { ink: remark.ink.map(namelessMark) } : {}),
  })),
  settled: thread.settled && { ...thread.settled, by: '' },
});
