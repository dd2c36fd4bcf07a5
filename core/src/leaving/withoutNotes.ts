import { type DocState, marksOn } from '../document/index.ts';
import { asNote } from '../kinds/index.ts';

/** A document without anything that is said about it: marks stay, but for those that are there for a note only. */
export const withoutNotes = (state: DocState): DocState => ({
  ...state,
  marks: new Map(
    state.pages.map(({ id }) => [
      id,
      new Map([...marksOn(state, id)].filter(([, mark]) => asNote(mark) === null)),
    ]),
  ),
  threads: new Map(),
  tags: new Map(),
  attachments: new Map(),
});
