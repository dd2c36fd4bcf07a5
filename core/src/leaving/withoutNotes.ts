import { attachmentsCarried, type DocState, marksOn } from '../document/index.ts';
import { asNote } from '../kinds/index.ts';

/** A document without anything that is said about it: marks stay, but for those that are there for a note only. */
export function withoutNotes(state: DocState): DocState {
  const marks = new Map(
    state.pages.map(({ id }) => [
      id,
      new Map([...marksOn(state, id)].filter(([, mark]) => asNote(mark) === null)),
    ]),
  );
  const threads: DocState['threads'] = new Map();
  const carried = attachmentsCarried({ marks, threads });
  const attachments = new Map([...state.attachments].filter(([id]) => carried.has(id)));
  return { ...state, marks, threads, tags: new Map(), attachments };
}
